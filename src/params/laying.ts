/** Layings are numbered from 1. */
export function match(text: string): boolean {
  return /^[1-9]\d{0,6}$/.test(text);
}
