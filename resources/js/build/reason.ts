/** Whether a reason says something that somebody else can act on: asked as the server asks it. */
export function saysSomething(words: string): boolean {
  const said = words.toLowerCase();
  const found = said.match(/\p{L}{2,}/gu) ?? [];
  const letters = said.replace(/\P{L}/gu, '');
  return new Set(found).size >= 3 && [...letters].length >= 15 && new Set(letters).size >= 6;
}
