import type { Fault, TrainingSession } from '@/api';
import { plainNumber, shownAmount } from '@/lib';
import { useSettings, useWithVolumes } from '@/hooks';
import { Button, ErrorMessage } from '@/ui';

interface Props {
  sitting: TrainingSession;
  pending: boolean;
  fault: Fault | null;
  onMixed: () => void;
}

/** What goes in the two jugs, side by side, and what is worth knowing before the first glass. */
export function BlendsToMix({ sitting, pending, fault, onMixed }: Props) {
  const all = sitting.rounds * sitting.turns.length;
  const inUnit = useWithVolumes();
  return (
    <>
      <section aria-label="Two jugs" className="panel flex flex-col gap-4 p-4">
        <h2 className="font-display text-2xl leading-tight font-semibold">Mix two jugs</h2>
        <p className="text-lg">
          Mark them LESS and MORE underneath. They differ only in {sitting.noun}, for {all} triangle tests of{' '}
          {inUnit(`${plainNumber(sitting.glass_ml)} ml`)} per glass. Stir well and keep both equally cold.
        </p>
        <div className="grid gap-3 sm:grid-cols-2">
          <JugLines name="LESS" jug={sitting.less} />
          <JugLines name="MORE" jug={sitting.more} />
        </div>
        <Button look="primary" large autoFocus disabled={pending} onClick={onMixed}>
          Start the first test
        </Button>
        <ErrorMessage fault={fault} className="text-error" />
      </section>
      <ul aria-label="Before the first glass" className="panel flex list-disc flex-col gap-1.5 p-4 pl-9 text-base">
        {sitting.before.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </>
  );
}

function JugLines({ name, jug }: { name: string; jug: TrainingSession['less'] }) {
  const { shown, ounceMl } = useSettings();
  return (
    <div className="rounded-xl border border-base-300 p-3">
      <h3 className="text-xl font-semibold tracking-wide">{name}</h3>
      <ul>
        {jug.lines.map(({ ingredient, name: of, ml }) => {
          const { text, word } = shownAmount(ml, 'ml', shown, ounceMl);
          return (
            <li key={ingredient} className="grid grid-cols-[6.5rem_1fr] items-baseline gap-2 text-lg">
              <span className="text-right font-figure text-xl whitespace-nowrap">
                {text} {word}
              </span>
              <span>{of}</span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
