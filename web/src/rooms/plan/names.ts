/** Names of calls, as long as their place allows. */

/** A name and shorter ways to say it, the longest first: 'base, coat 1 of 2', 'base 1/2', 'base'. */
export function shorter(name: string): string[] {
  const coat = /^(.+), coat (\d) of (\d)$/.exec(name)
  if (coat) return [name, `${coat[1]} ${coat[2]}/${coat[3]}`, coat[1] ?? '']
  return [name, name.split(' ').at(-1) ?? '']
}
