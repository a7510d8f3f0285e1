const NUMBER = /^(\d+(?:[.,]\d+)?|[.,]\d+|\d+\/[1-9]\d*|\d+ \d+\/[1-9]\d*)$/;
const THOUSANDS = /^[1-9]\d{0,2},\d{3}$/;

/** A number as it is written: with point or comma, as a fraction, with the unit that was asked for or without; null where it is none. */
export function parseNumber(text: string, unit = ''): number | null {
  const bare = text.trim().replace(/\s+/g, ' ').replace(/^−/, '-');
  const sign = bare.startsWith('-') ? -1 : 1;
  const figures = (sign < 0 ? bare.slice(1) : bare)
    .replace(unit === '' ? /$^/ : new RegExp(`\\s*${unit}$`, 'i'), '')
    .trim();
  if (!NUMBER.test(figures) || THOUSANDS.test(figures)) return null;
  const [whole, over] = figures.includes(' ') ? figures.split(' ') : ['0', figures];
  const [above = '', below = '1'] = (over ?? '').replace(',', '.').split('/');
  return sign * (Number(whole) + Number(above) / Number(below));
}

/** What to write instead of what is no number. */
export const notANumber = (text: string) => `“${text.trim()}” isn’t a number. Enter one like 12.5 or 1/2.`;
