import type { Unit } from '@/api/types';

export type Shown = 'ml' | 'oz';
export type AxisName = 'sugar' | 'acid' | 'abv';
/** The axes in the order in which they are told. */
export const AXES: readonly AxisName[] = ['sugar', 'acid', 'abv'];
export const AXIS_NAMES: Record<AxisName, string> = { sugar: 'Sweetness', acid: 'Acidity', abv: 'Strength' };

const DECIMALS: Record<AxisName, number> = { sugar: 1, acid: 2, abv: 1 };
/** Parts of an ounce that have a sign of their own. */
const PARTS: readonly (readonly [number, string])[] = [
  ...['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'].map((sign, n) => [n / 8, sign] as const),
  [1 / 3, '⅓'],
  [2 / 3, '⅔'],
];
/** The marks of a jigger, and the amount below which a barspoon measures better, in ounces. */
const JIGGER = [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4];
const SPOONED_BELOW = 0.2;
const BARSPOON_ML = 5;
const SAME_OUNCES = 0.006;
const ML_OF: Partial<Record<Unit, number>> = { ml: 1, cl: 10 };
const STEPS: Record<Unit, number> = {
  ml: 2.5,
  cl: 0.25,
  oz: 0.25,
  barspoon: 0.5,
  tsp: 0.5,
  tbsp: 0.5,
  cup: 0.25,
  splash: 0.5,
  dash: 1,
  drop: 1,
  g: 1,
  piece: 1,
  leaf: 1,
  part: 0.25,
};
const PLURALS: Partial<Record<Unit, string>> = {
  dash: 'dashes',
  splash: 'splashes',
  drop: 'drops',
  piece: 'pieces',
  leaf: 'leaves',
  part: 'parts',
  cup: 'cups',
};

/** A level on one of the axes, as many decimals as it deserves. */
export function levelText(value: number, axis: AxisName): string {
  return value.toFixed(DECIMALS[axis]);
}

/** A temperature in whole degrees, with a real minus. */
export function degreesText(celsius: number): string {
  const whole = Math.round(celsius);
  return whole < 0 ? `−${-whole}` : String(Math.abs(whole));
}

/** Grams of sugar in an ingredient: a decimal where it tells something. */
export function gramsText(value: number): string {
  return value < 10 ? plainNumber(value, 1) : value.toFixed(0);
}

/** The unit of an axis with what is counted. */
export const AXIS_UNITS: Record<AxisName, string> = { sugar: 'g sugar/100 ml', acid: 'g acid/100 ml', abv: '% ABV' };

/** The unit of an axis whose name stands beside it. */
export function axisUnit(axis: AxisName): string {
  return axis === 'abv' ? '% ABV' : 'g/100 ml';
}

/** A number with its unit as the trade writes it: "15.3% ABV", "7.9 g/100 ml". */
export function withUnit(number: string, unit: string): string {
  return unit.startsWith('%') ? `${number}${unit}` : `${number} ${unit}`;
}

/** A number without trailing zeros, at most two decimals. */
export function plainNumber(value: number, decimals = 2): string {
  return String(Number(value.toFixed(decimals)));
}

/** Eighths and thirds of an ounce as they are said; anything else by the nearest mark of a jigger, scant or heavy. */
function ounces(value: number): string {
  const exact = PARTS.find(([item]) => Math.abs(Math.floor(value + SAME_OUNCES) + item - value) <= SAME_OUNCES);
  if (exact && value > SAME_OUNCES) return marked(Math.floor(value + SAME_OUNCES), exact[1]);
  if (value <= SAME_OUNCES) return '0';
  const marks = JIGGER.flatMap((part) => [Math.floor(value) + part, Math.floor(value) + 1 + part]).filter(
    (item) => item > 0,
  );
  const nearest = marks.reduce((best, item) => (Math.abs(item - value) < Math.abs(best - value) ? item : best));
  const part = PARTS.find(([item]) => Math.abs(Math.floor(nearest + SAME_OUNCES) + item - nearest) <= SAME_OUNCES);
  return `${nearest > value ? 'scant' : 'heavy'} ${marked(Math.floor(nearest + SAME_OUNCES), part?.[1] ?? '')}`;
}

const marked = (whole: number, part: string) => (part ? `${whole || ''}${part}` : String(whole));

/** A volume of the whole drink, in ml or in ounces. */
export function volumeText(ml: number, shown: Shown, ounceMl: number): string {
  return shown === 'oz' ? `${ounces(Math.round((4 * ml) / ounceMl) / 4)} oz` : `${ml.toFixed(0)} ml`;
}

/** Volumes of a sentence; concentrations ("g/100 ml", "per 100 ml") and sizes of bottles as they are sold are none. */
const VOLUMES =
  /(?<![\d./]|per |bottles? of |fit in |one of |several of )(\d+(?:\.\d+)?)(?:( of | to | or | instead of )(\d+(?:\.\d+)?))? ml\b(?!\/)/g;

/** A whole glass is written in quarters of an ounce, a pour on the marks of a jigger, [oz]. */
const A_GLASS = 3;

/** A sentence with its volumes in the unit that is shown. */
export function withVolumes(sentence: string, shown: Shown, ounceMl: number): string {
  if (shown === 'ml') return sentence;
  const one = (digits: string) => {
    const ml = Number(digits);
    if (ml / ounceMl >= A_GLASS) return volumeText(ml, shown, ounceMl);
    const { text, word } = shownAmount(ml, 'ml', shown, ounceMl);
    return `${text} ${word}`;
  };
  const shownIn = sentence.replace(VOLUMES, (_, first: string, between?: string, second?: string) =>
    between && second ? `${one(first)}${between}${one(second)}` : one(first),
  );
  // "Scant 1 oz" may begin a sentence where a figure did.
  return shownIn.replace(/(?<=[.!?] )(?:scant|heavy)/g, capital);
}

export interface ShownAmount {
  amount: number;
  unit: Unit;
  text: string;
  word: string;
}

/** A pour's amount in the unit it is shown in: ml and ounces follow the switch, spoons, dashes and pieces stay as said. */
export function shownAmount(amount: number, unit: Unit, shown: Shown, ounceMl: number): ShownAmount {
  const ml = unit === 'oz' ? amount * ounceMl : (ML_OF[unit] ?? 0) * amount;
  const follows = unit === 'oz' || unit in ML_OF;
  if (!follows) return { amount, unit, text: plainNumber(amount), word: amount === 1 ? unit : (PLURALS[unit] ?? unit) };
  if (shown === 'oz' && ml > 0 && ml / ounceMl < SPOONED_BELOW) {
    const spoons = ml / BARSPOON_ML;
    return { amount: spoons, unit: 'barspoon', text: ounces(spoons), word: spoons > 1 ? 'barspoons' : 'barspoon' };
  }
  return shown === 'oz'
    ? { amount: ml / ounceMl, unit: 'oz', text: ounces(ml / ounceMl), word: 'oz' }
    : { amount: ml, unit: 'ml', text: plainNumber(ml), word: 'ml' };
}

/** The next amount on the ladder of its unit, up or down; never below nothing. `times` 4 is a long stride; `jiggerMl` is its ml. */
export function nextAmount(amount: number, unit: Unit, direction: 1 | -1, times = 1, jiggerMl = STEPS.ml): number {
  const step = (unit === 'ml' ? jiggerMl : unit === 'cl' ? jiggerMl / 10 : STEPS[unit]) * times;
  const rung = direction > 0 ? Math.floor(amount / step + 1e-6) + 1 : Math.ceil(amount / step - 1e-6) - 1;
  return Math.max(0, Number((rung * step).toFixed(4)));
}

/** A price as it is written: two decimals, after the house's own sign. */
export function priceText(value: number, sign = ''): string {
  return `${sign}${value.toFixed(2)}`;
}

/** A day as people write it. */
export function dayText(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

/** First letter in capitals. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** What was told as a part of a sentence, as a whole one. */
export function asSentence(text: string): string {
  return /[.!?]$/.test(text) ? capital(text) : `${capital(text)}.`;
}
