/** Brings a part of a long page into view: the part whose title has the id `<part>-title`. */
export const toPart = (part: string): void =>
  document.getElementById(`${part}-title`)?.scrollIntoView({ block: 'start', behavior: 'smooth' })
