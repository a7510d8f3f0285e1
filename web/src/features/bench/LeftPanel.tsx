import type { Family, PourEntry } from '@/api';
import { withIngredient, withNewPour, withPours } from '@/spec';
import { TourNotice } from './TourNotice';
import { AddPourPanel, RebalancePanel, SwapBoard } from './lazyParts';
import { PourList, WithoutOptional } from './pours';
import type { PanelActions } from '@/features/swaps';
import type { Bench } from './useBench';
import { Button } from '@/ui';

interface Props {
  bench: Bench;
  family: Family | undefined;
}

/** The left of the bench: the pours, or what is open in their place. */
export function LeftPanel({ bench, family }: Props) {
  const { open } = bench.panel;
  if (open === null) return <Pours bench={bench} />;
  if ('bring' in open) return <RebalanceInPanel bench={bench} family={family} to={open.bring} />;
  if ('swap' in open && bench.spec.pours[open.swap])
    return <BoardInPanel bench={bench} family={family} pour={open.swap} />;
  if (!('add' in open)) return <Pours bench={bench} />;
  const { move, hand, spec } = bench;
  return (
    <AddPourPanel
      slot={open.add}
      family={spec.family}
      slots={family?.slots ?? NO_SLOTS}
      onTry={bench.onCandidate}
      onTake={(ingredient) => {
        hand.change((present) => withNewPour(present, ingredient), `take ${ingredient.slug}`);
        move({ do: 'close' });
      }}
      onSlot={hand.add}
      onBack={() => move({ do: 'close' })}
    />
  );
}

const NO_SLOTS: Family['slots'] = [];

function Pours({ bench }: { bench: Bench }) {
  const { panel, spec, move, names } = bench;
  const { trying } = panel;
  const { out } = trying ?? {};
  return (
    <PourList
      spec={spec}
      parent={bench.parent.spec}
      comparison={bench.look.comparison}
      larder={bench.larder}
      nameOf={bench.nameOf}
      brings={bench.brings}
      locked={bench.locked}
      out={out}
      foot={
        trying && out !== undefined ? (
          <WithoutOptional
            spec={spec}
            without={withPours(spec, trying.pours)}
            name={names[out] ?? ''}
            onBack={() => move({ do: 'close' })}
            onTake={() => bench.take(trying.pours, 'leave out')}
          />
        ) : null
      }
      below={<TourNotice bench={bench} />}
    />
  );
}

function RebalanceInPanel({ bench, family, to }: Props & { to: 'back' | { sugar: number; acid: number } }) {
  const { spec, parent, panel, look } = bench;
  const present = look.comparison?.present.served;
  const wished = to !== 'back' && present ? { ...to, abv: present.abv, volume_ml: present.volume_ml } : undefined;
  return (
    <RebalancePanel
      spec={spec}
      parent={parent.spec}
      parentName={`trial ${parent.number}`}
      hasHome={Boolean(family?.homes.length)}
      wished={wished}
      pours={bench.lockable}
      trying={panel.trying !== null}
      actions={panelActions(bench, (pours) => bench.take(pours, 'bring back'))}
    />
  );
}

/** What a panel in place of the pours does with the drink on this bench. */
const panelActions = ({ hand, onGhost, onTry, move }: Bench, onTake: PanelActions['onTake']): PanelActions => ({
  onLock: hand.lock,
  onGhost,
  onTry,
  onTake,
  onBack: () => move({ do: 'close' }),
});

function BoardInPanel({ bench, family, pour }: Props & { pour: number }) {
  const { spec, parent, panel, hand, names } = bench;
  const take = (pours: PourEntry[], slug: string) => bench.take(pours, `take ${slug}`);
  return (
    <SwapBoard
      key={pour}
      spec={spec}
      parent={parent.spec}
      pour={pour}
      present={names[pour] ?? ''}
      hasHome={Boolean(family?.homes.length)}
      others={bench.lockable.filter(({ index }) => index !== pour)}
      trying={panel.trying !== null}
      more={
        <Button look="outline" onClick={() => hand.more(pour)}>
          More about {names[pour]}: role, unit, order, remove
        </Button>
      }
      actions={panelActions(bench, take)}
      onTakeAnyway={(slug) => take(withIngredient(spec, pour, slug), slug)}
    />
  );
}
