import type { DrinkDetail, Family, Ingredient } from '../../api/client';
import { AfterPaint } from '../../ui/AfterPaint';
import { BenchDialogs } from './BenchDialogs';
import { BenchTop } from './BenchTop';
import { BalanceField, Sentences } from './field';
import { GlassPanel } from './glass';
import { HandContext } from './hand';
import { LeftoverNotice, SaveNotice, type Recovered } from './keep';
import { Left } from './Left';
import { MakingPanel, SideTabs } from './making';
import { Surface } from './Surface';
import { useBench } from './useBench';
import { useBenchCommands } from './useBenchCommands';

interface Props {
  drink: DrinkDetail;
  /** Undefined for open forms. */
  family: Family | undefined;
  larder: Ingredient[];
  /** What an earlier visit left unsaved, if anything. */
  recovered: Recovered | null;
}

/** The working surface: the pours, where the drink stands beside its parent, the glass, and how it is made. */
export function Bench({ drink, family, larder, recovered }: Props) {
  const bench = useBench(drink, larder, recovered);
  useBenchCommands(bench);
  const { look, panel, ticks, hand, draft } = bench;
  const landed = look.ghost?.path.at(-1);
  return (
    <HandContext value={hand}>
      <Surface
        wide={panel.open !== null && 'swap' in panel.open}
        top={<BenchTop bench={bench} />}
        notice={
          <>
            {draft.leftover && <LeftoverNotice leftover={draft.leftover} onLay={draft.moves.lay} />}
            <SaveNotice
              drinkId={drink.id}
              autosave={draft.autosave}
              refusal={look.refusal ?? bench.refusal}
              isBehind={look.isBehind}
            />
          </>
        }
        pours={<Left bench={bench} family={family} />}
        field={
          <BalanceField
            comparison={look.comparison}
            family={family}
            ghost={look.ghost}
            tried={panel.trying?.name}
            ranges={look.ranges}
            trail={look.trail}
          />
        }
        sentences={
          <Sentences
            spec={look.known.spec}
            comparison={look.comparison}
            parentName={`trial ${bench.parent.number}`}
            landed={landed}
          />
        }
        glass={<AfterPaint value={look.known}>{(known) => <GlassPanel {...known} />}</AfterPaint>}
        making={
          <AfterPaint value={look.known}>
            {({ comparison }) => (
              <SideTabs
                drink={drink}
                spec={look.made.spec}
                comparison={comparison}
                open={bench.tab}
                onOpen={bench.setTab}
                method={
                  <MakingPanel
                    name={drink.name}
                    made={look.made}
                    nameOf={bench.nameOf}
                    ticks={ticks}
                    onWriteSo={bench.writeSo}
                  />
                }
              />
            )}
          </AfterPaint>
        }
        dialogs={<BenchDialogs bench={bench} />}
      />
    </HandContext>
  );
}
