import { BottleWine, Download, Redo2, Undo2 } from 'lucide-react';
import { memo } from 'react';
import { useNavigate } from 'react-router';

import type { DrinkDetail, Trial } from '@/api';
import { shownKey } from '@/hooks';
import { Button, IconButton, PageHeader } from '@/ui';
import { useBenchActions } from './benchActions';
import { type Autosave } from '@/features/draft';
import { DrinkTitle } from './save';
import type { Bench } from './useBench';

/** The drink's name, undo and redo, and the way to keep it. */
export function BenchHeader({ bench: { drink, parent, draft } }: { bench: Bench }) {
  return (
    <HeaderControls
      drink={drink}
      parent={parent}
      autosave={draft.autosave}
      canUndo={draft.canUndo}
      canRedo={draft.canRedo}
      onHoldAgainst={draft.moves.holdAgainst}
    />
  );
}

interface Props {
  drink: DrinkDetail;
  parent: Trial;
  autosave: Autosave;
  canUndo: boolean;
  canRedo: boolean;
  onHoldAgainst: (trial: Trial) => void;
}

const HeaderControls = memo(function HeaderControls({
  drink,
  parent,
  autosave,
  canUndo,
  canRedo,
  onHoldAgainst,
}: Props) {
  const hand = useBenchActions();
  const navigate = useNavigate();
  const undo = () => hand?.undo();
  const redo = () => hand?.redo();
  return (
    <PageHeader
      actions={
        <>
          <IconButton icon={Undo2} label="Undo" word hotkey={shownKey('undo')} disabled={!canUndo} onClick={undo} />
          <IconButton icon={Redo2} label="Redo" word hotkey={shownKey('redo')} disabled={!canRedo} onClick={redo} />
          <IconButton
            icon={BottleWine}
            label="Batch"
            word
            onClick={() => void navigate(`/service/batch/${drink.id}`)}
          />
          <IconButton icon={Download} label="Export" word onClick={() => hand?.along()} />
          <Button
            look="primary"
            className="px-3.5"
            title={`Save as a trial (${shownKey('keep')})`}
            onClick={() => hand?.keep()}
          >
            Save trial
          </Button>
        </>
      }
    >
      <DrinkTitle drink={drink} parent={parent} onHoldAgainst={onHoldAgainst} autosave={autosave} />
    </PageHeader>
  );
});
