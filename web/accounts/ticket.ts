/** The token of a letter, out of the address it opened: it is taken out of it at once, so that no history keeps it. */
export function tokenInAddress(): string {
  const token = location.hash.slice(1)
  if (token !== '') history.replaceState(history.state, '', location.pathname)
  return token
}
