import { useQuery } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useCallback, useState } from 'react';

import type { DrinkDetail, Family, Finding, Ingredient, PourEntry, Slot, Spec } from '../../api/client';
import { shownAmount } from '../../lib/format';
import { IconButton } from '../../ui/IconButton';
import { useSettings } from '../../lib/settings';
import { TopBar } from '../../ui/TopBar';
import { useHotkeys } from '../../ui/useHotkeys';
import { BringBack, SwapBoard, withPours, type Ghost, type Lockable } from '../swaps';
import { BalanceField } from './BalanceField';
import { lockKey, withoutPour, withPour } from './draftHistory';
import { DrinkTitle } from './DrinkTitle';
import { InTheGlass } from './InTheGlass';
import { KeepTrial } from './KeepTrial';
import { LarderPanel } from './LarderPanel';
import { PourActions } from './PourActions';
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

/** What lies on the left instead of the pours: the board of one of them, the larder for a new one, or what brings the drink back. */
type Open = { pour: number } | { slot: Slot } | 'bring back';

/** The working surface: the pours, where the drink stands beside its parent, and what is in the glass. */
export function Bench({ drink, family, larder }: Props) {
  const { draft, change, holdAgainst, lock, kept, undo, redo, canUndo, canRedo, autosave } = useDraft(drink);
  const [open, setOpen] = useState<Open | null>(null);
  const [trying, setTrying] = useState<{ pours: PourEntry[]; name: string } | null>(null);
  const [path, setPath] = useState<Ghost | null>(null);
  const [candidate, setCandidate] = useState<Ingredient | null>(null);
  const [keeping, setKeeping] = useState(false);
  const parent = drink.trials.find(({ id }) => id === draft.parentTrialId) ?? drink.trials[0];
  if (!parent) throw new Error('a drink has at least one trial');

  // What is tried on is looked at like the draft, and saved only once it is taken.
  const looked = trying ? withPours(draft.spec, trying.pours) : draft.spec;
  const { comparison, refusal } = useComparison(looked, parent.spec);
  const adding = open !== null && typeof open === 'object' && 'slot' in open ? open.slot : null;
  const added = adding && candidate ? withNew(draft.spec, adding, candidate, family) : null;
  const { supposed, shown } = useSettings();
  const landing = useQuery(predictionQuery(added, supposed));
  const ghost = landing.data && candidate ? { name: candidate.name, path: [landing.data.served] } : path;

  const bySlug = new Map(larder.map((ingredient) => [ingredient.slug, ingredient]));
  const nameOf = ({ ingredient }: PourEntry) =>
    typeof ingredient === 'string' ? (bySlug.get(ingredient)?.name ?? ingredient) : ingredient.name;
  const forecast = comparison?.present.pours.length === draft.spec.pours.length ? comparison.present.pours : undefined;
  const isLocked = (index: number) => {
    const pour = draft.spec.pours[index];
    const usual = forecast?.[index]?.free;
    return !pour || usual == null ? undefined : (draft.locks[lockKey(pour)] ?? !usual);
  };
  const onLock = (index: number) => {
    const pour = draft.spec.pours[index];
    if (pour) lock(lockKey(pour), !isLocked(index));
  };
  const lockable: Lockable[] = draft.spec.pours.flatMap((pour, index) => {
    const locked = isLocked(index);
    if (locked === undefined) return [];
    const { text, word } = shownAmount(Number(pour.amount), pour.unit, shown, draft.spec.ounce_ml);
    return [{ index, name: nameOf(pour), amount: `${text} ${word}`, free: !locked }];
  });

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
    setOpen(null);
    setCandidate(null);
    setTrying(null);
    setPath(null);
  };
  const onTry = (pours: PourEntry[] | null, name: string) => setTrying(pours && { pours, name });
  const take = (pours: PourEntry[], what: string) => {
    change((spec) => withPours(spec, pours), what);
    close();
  };
  useHotkeys({
    z: { ctrl: true, run: undo },
    y: { ctrl: true, run: redo },
    Z: { ctrl: true, run: redo },
    a: { run: () => setOpen({ slot: 'other' }) },
    b: { run: () => setOpen('bring back') },
    k: { run: () => setKeeping(true) },
  });

  const swapped = open !== null && typeof open === 'object' && 'pour' in open ? open.pour : null;
  const chosenPour = swapped === null ? undefined : draft.spec.pours[swapped];
  const landed = ghost?.path.at(-1);
  return (
    <Surface
      wide={swapped !== null}
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
        open === 'bring back' ? (
          <BringBack
            spec={draft.spec}
            parent={parent.spec}
            parentName={`trial ${parent.number}`}
            hasHome={Boolean(family?.home)}
            pours={lockable}
            trying={trying !== null}
            onLock={onLock}
            onGhost={setPath}
            onTry={onTry}
            onTake={(pours) => take(pours, 'bring back')}
            onBack={close}
          />
        ) : swapped !== null && chosenPour ? (
          <SwapBoard
            key={swapped}
            spec={draft.spec}
            parent={parent.spec}
            pour={swapped}
            present={nameOf(chosenPour)}
            hasHome={Boolean(family?.home)}
            others={lockable.filter(({ index }) => index !== swapped)}
            trying={trying !== null}
            actions={
              <PourActions
                pour={chosenPour}
                alone={draft.spec.pours.length === 1}
                onStage={(stage) => change((spec) => withPour(spec, swapped, { stage }), `stage ${swapped}`)}
                onRemove={() => {
                  change((spec) => withoutPour(spec, swapped), `remove ${swapped}`);
                  close();
                }}
              />
            }
            onLock={onLock}
            onGhost={setPath}
            onTry={onTry}
            onTake={(pours, slug) => take(pours, `take ${slug}`)}
            onBack={close}
          />
        ) : adding ? (
          <LarderPanel
            slot={adding}
            family={family}
            onTry={setCandidate}
            onTake={(ingredient) => {
              change((spec) => withNew(spec, adding, ingredient, family), `take ${ingredient.slug}`);
              close();
            }}
            onSlot={(slot) => setOpen({ slot })}
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
            onChoose={(pour) => setOpen({ pour })}
            onAdd={() => setOpen({ slot: 'other' })}
            locks={{ locked: isLocked, onLock }}
            onBringBack={() => setOpen('bring back')}
          />
        )
      }
      field={<BalanceField comparison={comparison} family={family} ghost={ghost} tried={trying?.name} />}
      sentences={
        <Sentences
          spec={looked}
          comparison={comparison}
          parentName={`trial ${parent.number}`}
          tried={landed ? { served: landed } : null}
        />
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

/** The spec with a new pour at its slot's usual measure. */
function withNew(spec: Spec, wanted: Slot, ingredient: Ingredient, family: Family | undefined): Spec {
  const slot = wanted === 'other' ? ((ingredient.slots[0] as Slot | undefined) ?? 'other') : wanted;
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
