import { useQuery } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useCallback, useState } from 'react';

import type { DrinkDetail, Family, Finding, Ingredient, PourEntry, Slot, Spec } from '../../api/client';
import { IconButton } from '../../ui/IconButton';
import { useSettings } from '../../lib/settings';
import { TopBar } from '../../ui/TopBar';
import { useHotkeys } from '../../ui/useHotkeys';
import { BalanceField } from './BalanceField';
import { withoutPour, withPour } from './draftHistory';
import { DrinkTitle } from './DrinkTitle';
import { InTheGlass } from './InTheGlass';
import { KeepTrial } from './KeepTrial';
import { LarderPanel } from './LarderPanel';
import { PourList } from './PourList';
import { SaveNotice } from './SaveNotice';
import { Sentences } from './Sentences';
import { Surface } from './Surface';
import { TrialList } from './TrialList';
import { useDraft } from './useDraft';
import { TwentyMinutes } from './TwentyMinutes';
import { predictionQuery, useComparison, useMend } from './useForecast';

interface Props {
  drink: DrinkDetail;
  /** Undefined for open forms. */
  family: Family | undefined;
  larder: Ingredient[];
}

/** Which pour is being chosen for: one of the drink's, or a new one in a slot. */
type Choosing = { pour: number } | { slot: Slot };

/** The working surface: the pours, where the drink stands beside its parent, and what is in the glass. */
export function Bench({ drink, family, larder }: Props) {
  const { draft, change, holdAgainst, kept, undo, redo, canUndo, canRedo, autosave } = useDraft(drink);
  const [choosing, setChoosing] = useState<Choosing | null>(null);
  const [candidate, setCandidate] = useState<Ingredient | null>(null);
  const [keeping, setKeeping] = useState(false);
  const parent = drink.trials.find(({ id }) => id === draft.parentTrialId) ?? drink.trials[0];
  if (!parent) throw new Error('a drink has at least one trial');

  const { comparison, refusal } = useComparison(draft.spec, parent.spec);
  const tried = choosing && candidate ? chosen(draft.spec, choosing, candidate, family) : null;
  const { supposed } = useSettings();
  const landing = useQuery(predictionQuery(tried, supposed));
  const ghost = landing.data && candidate ? { served: landing.data.served, name: candidate.name } : null;

  const { mutate: mend, error: mendRefused } = useMend();
  const { spec: parentSpec } = parent;
  const onMend = useCallback(
    (finding: Finding, index: number) => {
      const { spec } = draft;
      mend(
        { spec, parent: parentSpec, code: finding.code, pour: finding.pour, mend: index },
        // What was changed in the meantime would be lost: the mend is for the drink it was found in.
        { onSuccess: (mended) => change((present) => (present === spec ? mended : present), `mend ${finding.code}`) },
      );
    },
    [draft, parentSpec, mend, change],
  );
  const onIce = useCallback(
    (ice: Spec['serve']['ice']) => change((spec) => ({ ...spec, serve: { ...spec.serve, ice } }), `serve ${ice}`),
    [change],
  );

  const close = () => {
    setChoosing(null);
    setCandidate(null);
  };
  useHotkeys({
    z: { ctrl: true, run: undo },
    y: { ctrl: true, run: redo },
    Z: { ctrl: true, run: redo },
    a: { run: () => setChoosing({ slot: 'other' }) },
    k: { run: () => setKeeping(true) },
  });

  return (
    <Surface
      top={
        <TopBar
          actions={
            <>
              <IconButton icon={Undo2} label="Undo" hotkey="Ctrl Z" disabled={!canUndo} onClick={undo} />
              <IconButton icon={Redo2} label="Redo" hotkey="Ctrl Y" disabled={!canRedo} onClick={redo} />
              <button
                type="button"
                className="btn btn-primary min-h-11 text-base"
                title="Keep as trial (K)"
                onClick={() => setKeeping(true)}
              >
                Keep as trial
              </button>
            </>
          }
        >
          <DrinkTitle drink={drink} parent={parent} onHoldAgainst={holdAgainst} saveState={autosave.state} />
        </TopBar>
      }
      notice={<SaveNotice drinkId={drink.id} autosave={autosave} refusal={refusal ?? mendRefused} />}
      pours={
        choosing ? (
          <LarderPanel
            spec={draft.spec}
            choosing={choosing}
            family={family}
            onTry={setCandidate}
            onTake={(ingredient) => {
              change((spec) => chosen(spec, choosing, ingredient, family), `take ${ingredient.slug}`);
              close();
            }}
            onSlot={(slot) => setChoosing({ slot })}
            onStage={(index, stage) => change((spec) => withPour(spec, index, { stage }), `stage ${index}`)}
            onRemove={(index) => {
              change((spec) => withoutPour(spec, index), `remove ${index}`);
              close();
            }}
            onBack={close}
          />
        ) : (
          <PourList
            spec={draft.spec}
            parent={parent.spec}
            forecast={comparison?.present}
            besideParent={comparison?.findings}
            onMend={onMend}
            larder={larder}
            onChange={change}
            onChoose={(pour) => setChoosing({ pour })}
            onAdd={() => setChoosing({ slot: 'other' })}
          />
        )
      }
      field={<BalanceField comparison={comparison} family={family} ghost={ghost} />}
      sentences={
        <Sentences spec={draft.spec} comparison={comparison} parentName={`trial ${parent.number}`} tried={ghost} />
      }
      side={
        <>
          <InTheGlass
            serve={draft.spec.serve}
            family={drink.family}
            ounceMl={draft.spec.ounce_ml}
            comparison={comparison}
            onMend={onMend}
          />
          <TwentyMinutes spec={draft.spec} onIce={onIce} />
          <TrialList drink={drink} />
          {keeping && (
            <KeepTrial
              drink={drink}
              spec={draft.spec}
              parent={parent}
              larder={larder}
              beforeKeeping={autosave.flush}
              revision={autosave.revision}
              onKept={(trial, revision) => {
                kept(trial, revision);
                setKeeping(false);
              }}
              onClose={() => setKeeping(false)}
            />
          )}
        </>
      }
    />
  );
}

/** The spec with an ingredient taken: into a pour that is there, or as a new one at its slot's usual measure. */
function chosen(spec: Spec, choosing: Choosing, ingredient: Ingredient, family: Family | undefined): Spec {
  if ('pour' in choosing) return withPour(spec, choosing.pour, { ingredient: ingredient.slug, said: null });
  const slot = choosing.slot === 'other' ? ((ingredient.slots[0] as Slot | undefined) ?? 'other') : choosing.slot;
  const usual = family?.slots.find((each) => each.slot === slot);
  const byDash = ingredient.kind === 'bitters';
  const pour: PourEntry = {
    ingredient: ingredient.slug,
    amount: byDash ? 2 : (usual?.usual_ml ?? 15),
    unit: byDash ? 'dash' : 'ml',
    slot,
    stage: slot === 'edge' ? 'rim' : slot === 'garnish' ? 'garnish' : ingredient.sparkling ? 'topped' : 'mixed',
    optional: false,
  };
  return { ...spec, pours: [...spec.pours, pour] };
}
