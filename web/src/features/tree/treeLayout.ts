import type { Tree, TreeNode } from '../../api/client';

/** Size of a node and room around it, px. */
export const NODE = { width: 216, height: 74, gapX: 40, gapY: 14 };
const LANE_GAP = 18;
const TITLE = 34;

export interface Placed {
  node: TreeNode;
  x: number;
  y: number;
}

export interface Lane {
  drinkId: number;
  drink: string;
  family: string;
  y: number;
}

/**
 * A lane for each drink, its trials from left to right by how many makings they are from the first; those of one parent below
 * each other. Drinks stand in their order, those that descend from another below it.
 */
export function layTree(tree: Tree) {
  const parentsOf = new Map<number, number[]>();
  for (const { parent, child } of tree.branches) parentsOf.set(child, [...(parentsOf.get(child) ?? []), parent]);
  const byDrink = new Map<number, TreeNode[]>();
  for (const node of tree.nodes) byDrink.set(node.drink_id, [...(byDrink.get(node.drink_id) ?? []), node]);
  const placed = new Map<number, Placed>();
  const lanes: Lane[] = [];
  let top = 0;
  for (const [drinkId, nodes] of byDrink) {
    const own = new Set(nodes.map(({ id }) => id));
    const first = nodes[0];
    if (!first) continue;
    lanes.push({ drinkId, drink: first.drink, family: first.family, y: top });
    const parent = new Map(nodes.map(({ id }) => [id, parentsOf.get(id)?.find((each) => own.has(each))]));
    let row = 0;
    const place = (node: TreeNode, depth: number) => {
      placed.set(node.id, {
        node,
        x: depth * (NODE.width + NODE.gapX),
        y: top + TITLE + row * (NODE.height + NODE.gapY),
      });
      const children = nodes.filter(({ id }) => parent.get(id) === node.id);
      children.forEach((child, n) => {
        if (n > 0) row += 1;
        place(child, depth + 1);
      });
    };
    nodes
      .filter(({ id }) => parent.get(id) === undefined)
      .forEach((root, n) => {
        if (n > 0) row += 1;
        place(root, 0);
      });
    top += TITLE + (row + 1) * (NODE.height + NODE.gapY) + LANE_GAP;
  }
  const width = Math.max(NODE.width, ...[...placed.values()].map(({ x }) => x + NODE.width));
  return { placed, lanes, width, height: top };
}
