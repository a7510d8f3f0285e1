import { useEffect } from 'react';

import type { DrinkDetail, Family, Ingredient } from '@/api';
import { useIsIdle } from '@/hooks';
import { AfterPaint } from '@/ui';
import { BenchDialogs } from './BenchDialogs';
import { BenchHeader } from './BenchHeader';
import { BalanceField, FigureSentences } from './field';
import { GlassPanel } from './glass';
import { BenchActionsContext } from './benchActions';
import { type RecoveredDraft } from '@/features/draft';
import { LeftoverNotice, SaveNotice } from './save';
import { LeftPanel } from './LeftPanel';
import { BenchLayout } from './BenchLayout';
import { MethodPanel, preloadDialogs, SideTabs } from './lazyParts';
import { useBench } from './useBench';
import { useBenchCommands } from './useBenchCommands';

interface Props {
  drink: DrinkDetail;
  /** Undefined for open forms. */
  family: Family | undefined;
  larder: Ingredient[];
  /** What an earlier visit left unsaved, if anything. */
  recovered: RecoveredDraft | null;
}

/** The working surface: the pours, where the drink stands beside its parent, the glass, and how it is made. */
export function Bench({ drink, family, larder, recovered }: Props) {
  const bench = useBench(drink, larder, recovered);
  useBenchCommands(bench);
  const isIdle = useIsIdle();
  useEffect(() => {
    if (isIdle) preloadDialogs();
  }, [isIdle]);
  const { look, panel, ticks, hand, draft } = bench;
  const landed = look.ghost?.path.at(-1);
  return (
    <BenchActionsContext value={hand}>
      <BenchLayout
        wide={panel.open !== null && 'swap' in panel.open}
        top={<BenchHeader bench={bench} />}
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
        pours={<LeftPanel bench={bench} family={family} />}
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
          <FigureSentences
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
                  <MethodPanel
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
    </BenchActionsContext>
  );
}
