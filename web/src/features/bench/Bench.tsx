import { useQuery } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';

import type { DrinkDetail, Family, Finding, Ingredient, PourEntry, Forecast, Slot, Spec } from '../../api/client';
import { shownAmount } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { IconButton } from '../../ui/IconButton';
import { TopBar } from '../../ui/TopBar';
import { useHotkeys } from '../../ui/useHotkeys';
import { healthQuery } from '../book/useBook';
import { BringBack, SwapBoard, withPours, type Ghost, type Lockable } from '../swaps';
import { BalanceField } from './BalanceField';
import { lockKey, withoutPour } from './draftHistory';
import { DrinkTitle } from './DrinkTitle';
import type { Levels } from './fieldFrame';
import { FirstMove } from './FirstMove';
import { GlassPanel } from './GlassPanel';
import { KeepTrial } from './KeepTrial';
import { LarderPanel } from './LarderPanel';
import { MakingPanel } from './MakingPanel';
import { MethodDialog } from './MethodDialog';
import { PourDialog } from './PourDialog';
import { PourList } from './PourList';
import { SaveNotice } from './SaveNotice';
import { Sentences } from './Sentences';
import { SideTabs, type SideTab } from './SideTabs';
import { Surface } from './Surface';
import { remember, trailOf } from './trail';
import { useBenchCommands } from './useBenchCommands';
import { useDraft } from './useDraft';
import { forecastQuery, useComparison, useMend } from './useForecast';
import { useRanges, useSizeToGlass, useSteps } from './useMaking';
import { useTicks, withPoured } from './useTicks';
import { Without } from './Without';

interface Props {
  drink: DrinkDetail;
  /** Undefined for open forms. */
  family: Family | undefined;
  larder: Ingredient[];
}

/** What lies on the left instead of the pours: the board of one of them, the larder for a new one, or what brings the drink back. */
type Open = { pour: number } | { slot: Slot } | { bring: 'back' | Pick<Levels, 'sugar' | 'acid'> };

/** What is looked at and not yet taken. */
interface Trying {
  pours: PourEntry[];
  name: string;
  /** The optional pour that it leaves out. */
  out?: number;
}

/** The working surface: the pours, where the drink stands beside its parent, the glass, and how it is made. */
export function Bench({ drink, family, larder }: Props) {
  const { draft, change, holdAgainst, lock, kept, undo, redo, past, canUndo, canRedo, autosave } = useDraft(drink);
  const ticks = useTicks(drink.id);
  const navigate = useNavigate();
  const [open, setOpen] = useState<Open | null>(null);
  const [trying, setTrying] = useState<Trying | null>(null);
  const [path, setPath] = useState<Ghost | null>(null);
  const [candidate, setCandidate] = useState<Ingredient | null>(null);
  const [dialog, setDialog] = useState<'keep' | 'method' | { pour: number } | null>(null);
  const [tab, setTab] = useState<SideTab>('method');
  const { supposed, shown, tourSeen } = useSettings();
  const parent = drink.trials.find(({ id }) => id === draft.parentTrialId) ?? drink.trials[0];
  if (!parent) throw new Error('a drink has at least one trial');

  // What is tried on or was really poured is looked at like the draft, and written only once it is taken.
  const looked =
    trying && trying.out === undefined
      ? withPours(draft.spec, trying.pours)
      : withPoured(trying ? withPours(draft.spec, trying.pours) : draft.spec, ticks.making);
  const { comparison, refusal, fresh } = useComparison(looked, parent.spec);
  useEffect(() => {
    if (comparison && fresh) remember(looked, comparison.present.served);
  }, [comparison, fresh, looked]);
  const swapped = open && 'pour' in open ? open.pour : null;
  const adding = open && 'slot' in open ? open.slot : null;
  const bringing = open && 'bring' in open ? open.bring : null;
  const added = adding && candidate ? withNew(draft.spec, adding, candidate, family) : null;
  const landing = useQuery(forecastQuery(added, supposed));
  const ghost = landing.data && candidate ? { name: candidate.name, path: [landing.data.served] } : path;
  const steps = useSteps(draft.spec);
  const reallyPoured = Object.keys(ticks.making.poured).length > 0 ? withPoured(draft.spec, ticks.making).pours : null;
  const ranges = useRanges(looked, parent.spec);
  const { data: health } = useQuery(healthQuery());

  const bySlug = new Map(larder.map((ingredient) => [ingredient.slug, ingredient]));
  const nameOf = ({ ingredient }: PourEntry) =>
    typeof ingredient === 'string' ? (bySlug.get(ingredient)?.name ?? ingredient) : ingredient.name;
  const names = draft.spec.pours.map(nameOf);
  const brings = whatEachBrings(comparison?.present, draft.spec, trying?.out);
  const isLocked = (index: number) => {
    const pour = draft.spec.pours[index];
    const usual = brings[index]?.free;
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
  const { mutate: size, error: sizeRefused } = useSizeToGlass();
  const { spec: parentSpec } = parent;
  // What was changed in the meantime would be lost: an answer is for the drink it was asked for.
  const answered = useCallback(
    (asked: Spec, made: Spec, what: string) => change((present) => (present === asked ? made : present), what),
    [change],
  );
  const onMend = useCallback(
    (finding: Finding, index: number) => {
      const { spec } = draft;
      mend(
        { spec, parent: parentSpec, code: finding.code, pour: finding.pour, mend: index },
        { onSuccess: (mended) => answered(spec, mended, `mend ${finding.code}`) },
      );
    },
    [draft, parentSpec, mend, answered],
  );
  const onSize = useCallback(() => {
    const { spec } = draft;
    size(spec, { onSuccess: (sized) => answered(spec, sized, 'size') });
  }, [draft, size, answered]);
  const onServe = useCallback(
    (serve: Partial<Spec['serve']>, what: string) =>
      change((spec) => ({ ...spec, serve: { ...spec.serve, ...serve } }), what),
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
  const onOut = (index: number) =>
    setTrying(
      trying?.out === index
        ? null
        : { pours: withoutPour(draft.spec, index).pours, name: `it without ${names[index]}`, out: index },
    );
  const onKeep = () => setDialog('keep');
  const onMethod = () => setDialog('method');
  const onBringBack = () => setOpen({ bring: 'back' });
  const onAdd = () => setOpen({ slot: 'other' });
  useHotkeys({
    z: { ctrl: true, run: () => undo() },
    y: { ctrl: true, run: redo },
    Z: { ctrl: true, run: redo },
    a: { run: onAdd },
    b: { run: onBringBack },
    g: { run: onSize },
    m: { run: onMethod },
    k: { run: onKeep },
    d: {
      run: () => {
        const next = steps.find(({ key }) => !ticks.making.ticked.includes(key));
        setTab('method');
        if (next) ticks.tick(next.key, true);
      },
    },
  });
  useBenchCommands({
    names,
    locked: isLocked,
    isOptional: (index) => draft.spec.pours[index]?.optional ?? false,
    canUndo,
    canRedo,
    onUndo: () => undo(),
    onUndoAll: () => undo(past.length),
    onRedo: redo,
    onAdd,
    onBringBack,
    onKeep,
    onTrials: () => void navigate(`/trials/${drink.id}`),
    onTaste: () => void navigate(`/taste/${drink.id}`),
    onSize,
    onMethod,
    onServe,
    onSwap: (pour) => setOpen({ pour }),
    onLock,
    onMore: (pour) => setDialog({ pour }),
    onOut,
  });

  const chosenPour = swapped === null ? undefined : draft.spec.pours[swapped];
  const landed = ghost?.path.at(-1);
  const present = comparison?.present.served;
  const tour =
    health?.demo && !tourSeen && drink.origin === 'demo' && drink.draft && draft.parentTrialId === drink.trials[0]?.id;
  const sharper = comparison?.axes.some(
    ({ axis, direction, tasted }) => axis === 'acid' && direction === 'more' && tasted,
  );
  return (
    <Surface
      wide={swapped !== null}
      top={
        <TopBar
          actions={
            <>
              <IconButton icon={Undo2} label="Undo" hotkey="Ctrl Z" disabled={!canUndo} onClick={() => undo()} />
              <IconButton icon={Redo2} label="Redo" hotkey="Ctrl Y" disabled={!canRedo} onClick={redo} />
              <button
                type="button"
                className="btn btn-primary min-h-11 px-3.5 text-base"
                title="Keep as trial (K)"
                onClick={onKeep}
              >
                Keep as trial
              </button>
            </>
          }
        >
          <DrinkTitle drink={drink} parent={parent} onHoldAgainst={holdAgainst} saveState={autosave.state} />
        </TopBar>
      }
      notice={<SaveNotice drinkId={drink.id} autosave={autosave} refusal={refusal ?? mendRefused ?? sizeRefused} />}
      pours={
        bringing ? (
          <BringBack
            spec={draft.spec}
            parent={parent.spec}
            parentName={`trial ${parent.number}`}
            hasHome={Boolean(family?.home)}
            wished={
              bringing !== 'back' && present
                ? { ...bringing, abv: present.abv, volume_ml: present.volume_ml }
                : undefined
            }
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
              <button
                type="button"
                className="btn btn-ghost min-h-11 border-base-300 text-base font-normal"
                onClick={() => setDialog({ pour: swapped })}
              >
                More about {nameOf(chosenPour)}: role, time, order, take it out
              </button>
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
            larder={larder}
            hand={{
              onChange: change,
              onChoose: (pour) => setOpen({ pour }),
              onMore: (pour) => setDialog({ pour }),
              onAdd,
              onMend,
              locked: isLocked,
              onLock,
              out: trying?.out ?? null,
              onOut,
              onBringBack,
            }}
            brings={brings}
            foot={
              trying?.out !== undefined && (
                <Without
                  spec={draft.spec}
                  without={withPours(draft.spec, trying.pours)}
                  name={names[trying.out] ?? ''}
                  onBack={close}
                  onTake={() => take(trying.pours, 'leave out')}
                />
              )
            }
            below={tour && <FirstMove at={sharper ? 'sharper' : 'brought back'} onBringBack={onBringBack} />}
          />
        )
      }
      field={
        <BalanceField
          comparison={comparison}
          family={family}
          ghost={ghost}
          tried={trying?.name}
          ranges={ranges}
          hand={{
            trail: trailOf(past, draft),
            onBack: undo,
            onBring: (bring) => setOpen({ bring }),
          }}
        />
      }
      sentences={
        <Sentences
          spec={looked}
          comparison={comparison}
          parentName={`trial ${parent.number}`}
          tried={landed ? { served: landed } : null}
        />
      }
      glass={<GlassPanel spec={looked} comparison={comparison} onServe={onServe} onSize={onSize} />}
      making={
        <SideTabs
          drink={drink}
          comparison={comparison}
          open={tab}
          onOpen={setTab}
          onMend={onMend}
          method={
            <MakingPanel
              drink={drink}
              spec={draft.spec}
              steps={steps}
              forecast={comparison?.present}
              larder={larder}
              hand={{
                ticks,
                onMethod,
                onWriteSo: () => {
                  change((spec) => withPoured(spec, ticks.making), 'really poured');
                  ticks.forgetPoured();
                },
                onKeep,
              }}
            />
          }
        />
      }
      dialogs={
        <>
          {dialog === 'keep' && (
            <KeepTrial
              drink={drink}
              spec={draft.spec}
              parent={parent}
              larder={larder}
              poured={reallyPoured}
              beforeKeeping={autosave.flush}
              revision={autosave.revision}
              onKept={(trial, revision) => {
                kept(trial, revision);
                // What was ticked and poured belongs to that making; the next starts anew.
                ticks.clear();
                setDialog(null);
                setTab('trials');
              }}
              onClose={() => setDialog(null)}
            />
          )}
          {dialog === 'method' && (
            <MethodDialog spec={draft.spec} larder={larder} onChange={change} onClose={() => setDialog(null)} />
          )}
          {dialog !== null && typeof dialog === 'object' && (
            <PourDialog
              spec={draft.spec}
              index={dialog.pour}
              name={names[dialog.pour] ?? ''}
              names={names}
              volumeMl={brings[dialog.pour]?.volume_ml}
              span={ranges.find(({ pour }) => pour === dialog.pour)}
              onChange={change}
              onMoved={(pour) => setDialog({ pour })}
              onClose={() => {
                setDialog(null);
                // The board of a pour that was moved or taken out is a board of something else.
                if (swapped !== null) close();
              }}
            />
          )}
        </>
      }
    />
  );
}

/** What each pour brings. Right after one was added or taken out, the last figures are still those of the drink before. */
function whatEachBrings(
  present: Forecast | undefined,
  { pours }: Spec,
  out: number | undefined,
): (Forecast['pours'][number] | undefined)[] {
  const told = present?.pours ?? [];
  if (out !== undefined && told.length === pours.length - 1)
    return [...told.slice(0, out), undefined, ...told.slice(out)];
  return told.length === pours.length ? told : [];
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
