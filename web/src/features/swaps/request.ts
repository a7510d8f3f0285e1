import type { RebalanceRequest, Spec, SwapsRequest } from '@/api';
import type { BoardView, SwapTarget } from '@/hooks';

/** A rebalancing of a spec: toward a point that was chosen by hand, or its parent, its family's home or typed figures. */
export function rebalanceRequest(
  spec: Spec,
  parent: Spec,
  free: number[],
  aim: SwapTarget,
  palate: string | null,
  correctors: string[],
  chosen?: RebalanceRequest['target'],
): RebalanceRequest {
  return {
    spec,
    target: chosen ?? targetOf(aim, spec, parent, palate),
    free,
    grid: aim.grid,
    weights: { ...aim.weights, volume_ml: 1 },
    bounds: {},
    correctors: aim.joining ? correctors : [],
    sweetness: aim.sweetness,
    character: aim.character,
  };
}

/** The board of one pour. Who may join is asked for apart, for the rows in view. */
export function swapsRequest(
  spec: Spec,
  parent: Spec,
  pour: number,
  free: number[],
  aim: SwapTarget,
  view: BoardView,
  palate: string | null,
): SwapsRequest {
  return {
    ...rebalanceRequest(spec, parent, free, aim, palate, []),
    pour_index: pour,
    mode: view.mode,
    // The order is the screen's: a board holds the scores of all three.
    ranking: 'both',
    filters: {
      at_hand: view.atHand === 'only',
      avoid_allergens: view.avoid,
      vegan: view.vegan,
      without_alcohol: view.withoutAlcohol,
      most_price: view.mostPrice,
      kinds: [],
    },
  };
}

function targetOf(aim: SwapTarget, spec: Spec, parent: Spec, palate: string | null): RebalanceRequest['target'] {
  const typed = Object.values(aim.typed).some((level) => level !== null);
  if (aim.target === 'typed' && typed) return aim.typed;
  if (aim.target !== 'home' || spec.family === 'open') return parent;
  return { family: spec.family, palate };
}
