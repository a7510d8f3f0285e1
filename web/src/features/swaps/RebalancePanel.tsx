import { useQuery } from '@tanstack/react-query';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useRef } from 'react';

import { rulesQuery, type Spec, useRebalance } from '@/api';
import { levelText } from '@/lib';
import { isPressed, shownKey, useSettings, useSwapTarget } from '@/hooks';
import { Disclosure, ErrorMessage, IconButton } from '@/ui';
import { TargetSettings } from './TargetSettings';
import { LockStrip, type Lockable } from './LockStrip';
import { rebalanceRequest } from './request';
import type { PanelActions } from './panelActions';
import { PreviewOrUse } from './PreviewOrUse';
import { RebalanceResult } from './RebalanceResult';
import { landingPoint, useAlternatives } from './useAlternatives';
import { AlternativeList } from './AlternativeList';

interface Props {
  spec: Spec;
  parent: Spec;
  parentName: string;
  hasHome: boolean;
  /** A point of the field that was chosen by hand, in place of what is set. */
  wished?: { sugar: number; acid: number; abv: number; volume_ml: number } | undefined;
  pours: Lockable[];
  trying: boolean;
  actions: PanelActions;
}

/** What brings the present drink back: the moves, what each did, what is left. */
export function RebalancePanel(props: Props) {
  const { spec, parent, parentName, hasHome, wished, pours, trying } = props;
  const { onLock, onGhost, onTry, onTake, onBack } = props.actions;
  const { palate } = useSettings();
  const aim = useSwapTarget();
  const { data: rules } = useQuery(rulesQuery());
  const panel = useRef<HTMLDivElement>(null);
  const free = pours.filter((pour) => pour.free).map((pour) => pour.index);
  const answer = useRebalance(rebalanceRequest(spec, parent, free, aim, palate, rules?.correctors ?? [], wished));
  const found = answer.error ? undefined : answer.data;
  const { ways, way, chosen, choose } = useAlternatives(found);
  const goal =
    aim.target === 'home' && hasHome ? homeWords(palate) : aim.target === 'typed' ? 'your figures' : parentName;

  useEffect(() => {
    const landing = way && landingPoint(way);
    onGhost(landing && !trying ? { name: 'these amounts', path: [landing] } : null);
  }, [way, trying, onGhost]);
  useEffect(() => panel.current?.focus({ preventScroll: true }), []);

  const take = () => way && way.moves.length > 0 && onTake(way.spec.pours, '');
  const tryOn = () => way && onTry(trying ? null : way.spec.pours, 'these amounts');
  const walk = (to: number) => {
    const next = ways[choose(to)];
    if (next && trying) onTry(next.spec.pours, 'these amounts');
  };
  return (
    <div
      ref={panel}
      tabIndex={-1}
      className="flex min-h-0 grow flex-col outline-none"
      onKeyDown={(event) => {
        const within = event.target instanceof HTMLElement && event.target.closest('input, select, button, summary');
        if (isPressed(event, 'back')) {
          if (trying) onTry(null, '');
          else onBack();
        } else if (isPressed(event, 'take') && !within) take();
        else if (step(event.key) && ways.length > 1 && !isTyped(event.target)) walk(chosen + step(event.key));
        else if (event.ctrlKey || event.metaKey || event.altKey || (within && within.matches('input, select'))) return;
        else if (isPressed(event, 'tryOn')) tryOn();
        else if (pours[Number(event.key) - 1]) onLock(pours[Number(event.key) - 1]?.index ?? 0);
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      <div className="flex items-center gap-2 p-3 pb-2">
        <IconButton icon={ArrowLeft} label="Back to ingredients" hotkey={shownKey('back')} onClick={onBack} />
        <h2 className="grow font-display text-lg leading-tight font-semibold">
          {wished
            ? `Rebalance to ${levelText(wished.sugar, 'sugar')} g sugar and ${levelText(wished.acid, 'acid')} g acid per 100 ml`
            : `Rebalance to ${goal}`}
        </h2>
      </div>
      <div className="min-h-0 grow overflow-y-auto px-3">
        <ErrorMessage fault={answer.error} className="py-2 text-lg" />
        {!answer.error && !found && <p className="py-2 text-quiet">Searching…</p>}
        {ways.length > 1 && <AlternativeList ways={ways} chosen={chosen} ounceMl={spec.ounce_ml} onChoose={walk} />}
        {found && way && (
          <RebalanceResult found={way} notes={found.notes} alone={ways.length < 2} ounceMl={spec.ounce_ml} />
        )}
        <div className="flex flex-col gap-2 border-t border-base-300 py-2">
          <h3 className="text-base font-semibold">Rebalance settings</h3>
          <LockStrip pours={pours} onToggle={onLock} />
          <Disclosure title="Rebalance settings">
            <TargetSettings hasHome={hasHome} chosen={wished !== undefined} />
          </Disclosure>
        </div>
      </div>
      <PreviewOrUse trying={trying} disabled={!way || way.moves.length === 0} onTry={tryOn} onTake={take} />
    </div>
  );
}

/** By how many ways an arrow walks. */
function step(key: string): number {
  return { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[key] ?? 0;
}

function isTyped(target: EventTarget): boolean {
  return target instanceof HTMLElement && target.matches('input, select, summary');
}

/** Where a home is aimed at: its middle, or where a taster would have it. */
function homeWords(palate: string | null): string {
  if (palate === null) return 'the typical range';
  return palate ? `${palate}’s palate` : 'the team’s palate';
}
