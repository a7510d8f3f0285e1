import type { SheetEntry } from '@/api';
import { AXIS_NAMES } from '@/lib';
import { AxisMark, Checkbox, ChoiceChips } from '@/ui';
import { ScoreButtons } from './ScoreButtons';
import { TasteScale } from './TasteScale';
import { NoteField, type NotePart } from './NoteField';

interface Props {
  sheet: SheetEntry;
  /** Pours by slug, of which one may be too loud. Empty while the drink is blind and they would tell it. */
  pours: { slug: string; name: string }[];
  /** Whether anybody would ask how strong it is. */
  hasStrength: boolean;
  /** Whether the drink has an edge. */
  hasEdge: boolean;
  onSay: (change: Partial<SheetEntry>) => void;
}

const FIRST_SIP = [
  ['sugar', 'too dry', 'too sweet'],
  ['acid', 'too dull', 'too sharp'],
  ['abv', 'too weak', 'too strong'],
] as const;

/** The sheet, in the order in which a drink is tasted: look, nose, first sip, middle, finish. */
export function TastingSheet({ sheet, pours, hasStrength, hasEdge, onSay }: Props) {
  const { words } = sheet;
  const write = (part: NotePart, text: string) => onSay({ words: { ...words, [part]: text } });
  return (
    <div className="flex flex-col gap-4">
      <NoteField part="look" name="Look" hint="colour, foam, layers" value={words.look} onWrite={write} />
      <NoteField part="nose" name="Nose" hint="what it smells of" value={words.nose} suggest onWrite={write} />
      <section aria-label="First sip" className="flex flex-col gap-3 border-t border-base-300 pt-3">
        <h3 className="text-xl font-semibold">First sip</h3>
        {FIRST_SIP.filter(([axis]) => hasStrength || axis !== 'abv').map(([axis, little, much]) => (
          <TasteScale
            key={axis}
            name={AXIS_NAMES[axis]}
            mark={<AxisMark axis={axis} size={16} />}
            little={little}
            much={much}
            value={sheet[axis] ?? null}
            onSay={(said) => onSay({ [axis]: said })}
          />
        ))}
        <NoteField part="first" name="In words" hint="what comes first" value={words.first} suggest onWrite={write} />
      </section>
      <section aria-label="Mid-palate" className="flex flex-col gap-3 border-t border-base-300 pt-3">
        <h3 className="text-xl font-semibold">Mid-palate</h3>
        <TasteScale
          name="Body"
          little="too thin"
          much="too heavy"
          value={sheet.body ?? null}
          onSay={(body) => onSay({ body })}
        />
        {pours.length > 0 && (
          <ChoiceChips
            legend="Too loud"
            options={[['', 'nothing'], ...pours.map(({ slug, name }): [string, string] => [slug, name])]}
            value={sheet.loud}
            onChoose={(loud) => onSay({ loud })}
          />
        )}
        <Checkbox
          words="Missing"
          className="gap-3 text-lg"
          on={sheet.lacking}
          onChange={(lacking) => onSay({ lacking })}
        />
        <NoteField part="middle" name="In words" hint="what stays" value={words.middle} suggest onWrite={write} />
      </section>
      <section aria-label="Finish" className="flex flex-col gap-3 border-t border-base-300 pt-3">
        <h3 className="text-xl font-semibold">Finish</h3>
        <NoteField part="finish" name="In words" hint="short, dry, lingering" value={words.finish} onWrite={write} />
        {hasEdge && (
          <ChoiceChips
            legend="Tasted"
            options={[
              ['', 'both ways'],
              ['with', 'with the rim'],
              ['without', 'without the rim'],
            ]}
            value={sheet.edge}
            onChoose={(edge) => onSay({ edge })}
          />
        )}
        <ScoreButtons value={sheet.score} onSay={(score) => onSay({ score })} />
      </section>
    </div>
  );
}
