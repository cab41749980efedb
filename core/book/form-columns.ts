/** How many columns a line of a form, or of a group in it, has. */
export const formColumns = 12

/** Whom a form may be for. */
export const formRoles = ['administrator', 'staff', 'reader'] as const
