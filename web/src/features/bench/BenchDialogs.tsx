import { ExportDrink, GarnishDialog, MethodDialog, PourDialog, SaveTrial, StepsDialog } from './lazyParts';
import type { Bench } from './useBench';

/** What is open over the bench: keeping, the method, taking it along, or all of a pour. */
export function BenchDialogs({ bench }: { bench: Bench }) {
  const { dialog, setDialog, spec, larder, hand, panel, look, draft, ticks } = bench;
  const close = () => setDialog(null);
  if (dialog === null) return null;
  if (dialog === 'method') {
    return <MethodDialog spec={spec} larder={larder} onChange={hand.change} onClose={close} />;
  }
  if (dialog === 'garnish') return <GarnishDialog spec={spec} onChange={hand.change} onClose={close} />;
  if (dialog === 'steps') {
    return <StepsDialog spec={spec} steps={look.made.steps} onChange={hand.change} onClose={close} />;
  }
  if (dialog === 'along') return <ExportDrink drink={bench.drink} spec={spec} onClose={close} />;
  if (dialog === 'keep') {
    return (
      <SaveTrial
        drink={bench.drink}
        spec={spec}
        parent={bench.parent}
        larder={larder}
        suggestedName={look.comparison?.suggested_name ?? ''}
        poured={bench.reallyPoured}
        autosave={draft.autosave}
        onKept={(trial, revision) => {
          draft.moves.kept(trial, revision);
          // What was ticked and poured belongs to that making; the next starts anew.
          ticks.clear();
          close();
          bench.setTab('trials');
        }}
        onClose={close}
      />
    );
  }
  return (
    <PourDialog
      spec={spec}
      index={dialog.pour}
      names={bench.names}
      volumeMl={bench.brings[dialog.pour]?.volume_ml}
      span={look.ranges.find(({ pour }) => pour === dialog.pour)}
      onChange={hand.change}
      onMoved={hand.more}
      onClose={() => {
        close();
        // The board of a pour that was moved or taken out is a board of something else.
        if (panel.open && 'swap' in panel.open) bench.move({ do: 'close' });
      }}
    />
  );
}
