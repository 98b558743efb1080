/** What somebody left in this browser and nowhere else; it goes with the sign-out. */
const prefix = 'bonitas.own.'

/** The key in local storage for something of the person who is signed in. */
export const ownKey = (name: string): string => `${prefix}${name}`

export function forgetOwn(): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(prefix)) localStorage.removeItem(key)
}
