/** Names with commas between, each once. */
export function peopleIn(words: string): string[] {
  const names = words.split(/[,;]/).map((each) => each.trim());
  return [...new Set(names.filter(Boolean))];
}
