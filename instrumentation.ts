/** Runs once when the server starts: what an earlier run left half done is finished first. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || process.env.NEXT_PHASE === 'phase-production-build') return
  const { guardFrontDoor } = await import('./server/front-door')
  guardFrontDoor()
  const { catalogue } = await import('./server/catalogue')
  const { resumeOpenings } = await import('./server/live')
  const { throwOldAway } = await import('./server/dry-run')
  await resumeOpenings(await catalogue())
  const { keepSending } = await import('./server/post')
  await throwOldAway(await catalogue())
  keepSending(await catalogue())
}
