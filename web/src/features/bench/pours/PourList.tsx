import { LocateFixed, Plus } from 'lucide-react';
import { memo, useMemo, type ReactNode } from 'react';

import type { Comparison, Finding, Ingredient, Spec } from '@/api';
import { capital, volumeText } from '@/lib';
import { shownKey, useSettings } from '@/hooks';
import { garnishOf, garnishWords, type NameOf, STAGE_GROUPS } from '@/spec';
import { Button, AxisMark } from '@/ui';
import { useBenchActions } from '../benchActions';
import { PourRow } from './PourRow';
import { Problems } from './Problems';
import type { Contributions } from './contributions';

interface PoursProps {
  spec: Spec;
  /** The parent's spec: what changed is marked. */
  parent: Spec;
  /** Undefined until the first figures are there. */
  comparison: Comparison | undefined;
  larder: Ingredient[];
  nameOf: NameOf;
  /** What each pour brings; undefined for one that is left out, or whose figures aren't there yet. */
  brings: Contributions;
  /** Whether each pour is locked when the drink is brought back; undefined where it has no amount to choose. */
  locked?: (boolean | undefined)[];
  /** The optional pour that is left out for the moment. */
  out?: number | undefined;
}

interface Props extends PoursProps {
  /** What stands below the pours, as far as there is room. */
  below?: ReactNode;
  /** What stands below them in any case. */
  foot?: ReactNode;
}

/** From how many rows on they stand closer, and up to how many they stand wide, to be read from where one shakes. */
const CROWDED = 8;
const FEW = 4;

const standing = (rows: number) => (rows >= CROWDED ? 'pours-crowded' : rows <= FEW ? 'pours-roomy' : '');

/** The pours, and what stands below them. */
export function PourList({ below, foot, ...pours }: Props) {
  const { spec, comparison } = pours;
  const hand = useBenchActions();
  const findings = useMemo(() => findingsOf(comparison), [comparison]);
  return (
    <>
      <div className={`min-h-0 grow overflow-y-auto px-1.5 pt-2 ${standing(spec.pours.length)}`}>
        <Groups {...pours} findings={findings} />
        <GarnishLine garnish={spec.serve.garnish} amongPours={amongPours(spec)} />
        {below}
      </div>
      {foot}
      {comparison && <Problems findings={findings} />}
      {hand && <Foot onAdd={() => hand.add()} onBringBack={() => hand.bring('back')} />}
    </>
  );
}

interface GroupsProps extends PoursProps {
  findings: Finding[];
}

/** The pours, grouped by when they go in. */
const Groups = memo(function Groups(props: GroupsProps) {
  const { spec, parent, comparison, larder, nameOf, brings, locked = [], out, findings } = props;
  const bySlug = useMemo(() => new Map(larder.map((item) => [item.slug, item])), [larder]);
  const firstShown = STAGE_GROUPS.find(({ stages }) => spec.pours.some(({ stage }) => stages.includes(stage)))?.stages;
  return STAGE_GROUPS.map(({ title, stages }) => {
    const rows = spec.pours.flatMap((pour, index) => (stages.includes(pour.stage) ? [{ pour, index }] : []));
    if (rows.length === 0) return null;
    return (
      <section key={title} aria-label={title} className="pour-group">
        <h2 className="flex items-baseline gap-2 px-2 font-display text-base leading-6 font-semibold">
          {title}
          {stages.includes('mixed') && comparison && <InTheTin spec={spec} comparison={comparison} />}
          {stages === firstShown && <BarsLegend />}
        </h2>
        <ul>
          {rows.map(({ pour, index }) => (
            <PourRow
              key={index}
              pour={pour}
              index={index}
              ounceMl={spec.ounce_ml}
              before={parent.pours[comparison?.stands_for[index] ?? -1]}
              followed={pour.relative ? spec.pours[pour.relative.to] : undefined}
              ingredient={typeof pour.ingredient === 'string' ? bySlug.get(pour.ingredient) : undefined}
              nameOf={nameOf}
              share={brings[index]}
              wrong={findings.find((finding) => finding.pour === index && finding.severity !== 'info')}
              part={partOf(locked[index], out === index)}
            />
          ))}
        </ul>
      </section>
    );
  });
});

function partOf(locked: boolean | undefined, isOut: boolean) {
  if (isOut) return 'left out';
  if (locked === undefined) return undefined;
  return locked ? 'locked' : 'free';
}

/** Whether a garnish is written among the pours too. */
const amongPours = ({ pours }: Spec) => pours.some(({ stage }) => stage === 'garnish');

interface GarnishProps {
  garnish: Spec['serve']['garnish'];
  /** One is written among the pours: then this stands below it. */
  amongPours: boolean;
}

/** The garnish, which pours nothing, and the way to it. */
const GarnishLine = memo(function GarnishLine({ garnish, amongPours }: GarnishProps) {
  const hand = useBenchActions();
  if (!hand && garnish.length === 0) return null;
  const words = garnish.length === 0 ? 'none yet' : garnish.map(garnishWords).join('; ');
  const why = garnish.map((item) => garnishOf(item).why).filter(Boolean);
  const lines = (
    <>
      {!amongPours && <span className="mr-2 font-display text-base font-semibold">Garnish</span>}
      <span className="text-base">{garnish.length === 0 ? words : capital(words)}</span>
    </>
  );
  return (
    <section aria-label={amongPours ? 'Garnish' : 'Garnish'} className="pour-group">
      {hand ? (
        <button
          type="button"
          className="block min-h-11 w-full rounded-xl px-2 py-1 text-left leading-tight hover:underline"
          title={[...why.map(capital), `Add a garnish (${shownKey('garnish')})`].join('. ')}
          onClick={hand.garnish}
        >
          {lines}
        </button>
      ) : (
        <p className="px-2 py-1 leading-tight">{lines}</p>
      )}
    </section>
  );
});

/** What is wrong beside the parent, and in itself. */
function findingsOf(comparison: Comparison | undefined): Finding[] {
  return comparison ? [...comparison.findings, ...comparison.present.findings] : [];
}

/** How much is in the tin. */
function InTheTin({ spec, comparison }: { spec: Spec; comparison: Comparison }) {
  const { shown } = useSettings();
  return (
    <span className="font-sans text-base font-normal text-quiet">
      {volumeText(comparison.present.undiluted.volume_ml, shown, spec.ounce_ml)}
    </span>
  );
}

/** What the bars beside each ingredient mean. */
function BarsLegend() {
  return (
    <span
      className="ml-auto flex items-center gap-2 font-sans text-sm font-normal text-quiet"
      title="The bars: each ingredient’s share of the drink"
    >
      {(['sugar', 'acid', 'abv'] as const).map((axis) => (
        <span key={axis} className="flex items-center gap-1">
          <AxisMark axis={axis} size={11} /> {axis === 'abv' ? 'alcohol' : axis}
        </span>
      ))}
    </span>
  );
}

function Foot({ onAdd, onBringBack }: { onAdd: () => void; onBringBack: () => void }) {
  return (
    <div className="flex shrink-0 gap-2 border-t border-base-300 px-2.5 py-1.5">
      <Button look="ghost" className="gap-1.5 px-3" title={`Add ingredient (${shownKey('add')})`} onClick={onAdd}>
        <Plus size={20} aria-hidden /> Add ingredient
      </Button>
      <Button
        look="secondary"
        className="ml-auto gap-1.5 px-3"
        title={`Rebalance to trial 1 or to the typical range (${shownKey('bring')})`}
        onClick={onBringBack}
      >
        <LocateFixed size={20} aria-hidden /> Rebalance <kbd className="kbd max-lg:hidden">{shownKey('bring')}</kbd>
      </Button>
    </div>
  );
}
