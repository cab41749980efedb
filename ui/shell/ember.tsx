/** Our mark: a bowl of embers. */
export function Ember({ size = 18 }: { readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden>
      <defs>
        <linearGradient id="ember" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#d9a63a" />
          <stop offset="1" stopColor="#c4431a" />
        </linearGradient>
      </defs>
      <path d="M4 4h24v12a12 12 0 0 1-24 0z" fill="url(#ember)" />
    </svg>
  )
}
