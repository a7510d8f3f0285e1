import { volumeText } from '@/lib';
import { useSettings } from '@/hooks';
import { type Spec, useComparison } from '@/api';
import { Button } from '@/ui';

interface Props {
  /** The drink with the pour, and without it. */
  spec: Spec;
  without: Spec;
  name: string;
  onBack: () => void;
  onTake: () => void;
}

/** What an optional pour takes with it: volume, the water that the ice gave for it, and what a tongue would notice. */
export function WithoutOptional({ spec, without, name, onBack, onTake }: Props) {
  const { shown } = useSettings();
  const { comparison } = useComparison(without, spec).known;
  const told = (ml: number) => volumeText(Math.abs(ml), shown, spec.ounce_ml);
  const felt = comparison?.axes.filter(({ tasted }) => tasted).map(({ headline }) => headline.toLowerCase());
  return (
    <div
      role="status"
      aria-label={`Without ${name}`}
      className="mx-2.5 mb-2 rounded-xl bg-base-100 border-2 border-base-content p-2.5 text-base leading-snug"
    >
      <p className="font-semibold">Without {name}</p>
      {comparison && (
        <p>
          {told(comparison.volume_by_ml)} less, {told(comparison.water_by_ml)} less dilution.{' '}
          {felt?.length ? `It is ${felt.join(', ')}.` : 'Sweetness, acidity and strength stay about the same.'}
        </p>
      )}
      <span className="mt-1.5 flex gap-2">
        <Button className="grow font-normal" onClick={onBack}>
          Put it back <kbd className="kbd max-lg:hidden">O</kbd>
        </Button>
        <Button look="primary" className="grow" onClick={onTake}>
          Leave it out
        </Button>
      </span>
    </div>
  );
}
