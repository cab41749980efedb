export const brindleName = 'Brindle Bindery'

/** What the bindery's office wrote down; the design is left to whoever tries the Workshop. */
export const brindleNeeds: readonly string[] = [
  'We bind and mend books for clients; for each client we keep the name, the address, one or more phone numbers and an e-mail.',
  'A client brings one or more volumes. Each volume has a title, an author, a year, a size and the state it came in.',
  'A job is taken in on a day, promised for a day, and is waiting, on the bench, done or collected.',
  'A job deals with one or more volumes, and a volume may come back years later for another job.',
  'On each volume of a job we carry out one or more treatments: sewing, rebacking, cleaning, a new case.',
  'Every treatment has a usual price and a usual number of hours; on the job we note the real ones.',
  'Materials (cloth, leather, board, thread, paste) are kept by the metre, the sheet or the kilo, with how much is left.',
  'We note which materials went into which job, and how much.',
  'No job may hold more than twelve volumes.',
  'A job is paid in one or two parts.',
  'List all jobs promised for this week.',
  'Which clients have a volume here that has been done for more than a month?',
  'How much leather have we used each year?',
]
