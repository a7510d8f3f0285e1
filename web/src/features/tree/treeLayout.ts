import type { Tree, TreeNode } from '@/api';

/** Size of a node and room around it, and the room for the drinks' names, px. */
export const NODE_SIZE = { width: 232, height: 94, gapX: 26, gapY: 14 };
export const NAMES_WIDTH = 196;
const LANE_GAP = 12;
/** On a phone the drinks' names stand above their lanes. */
const TITLE = 38;
/** Room for the ways between drinks where no names stand. */
const CHANNEL = 20;

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
 * A lane for each drink, its trials from left to right by how many makings they are from the first, those of one parent below each
 * other. A drink that descends from others stands right below the last of them.
 */
export function treeLayout(tree: Tree, narrow: boolean) {
  const names = narrow ? CHANNEL : NAMES_WIDTH;
  const title = narrow ? TITLE : 0;
  const parentsOf = new Map<number, number[]>();
  for (const { parent, child } of tree.branches) parentsOf.set(child, [...(parentsOf.get(child) ?? []), parent]);
  const byDrink = new Map<number, TreeNode[]>();
  for (const node of tree.nodes) byDrink.set(node.drink_id, [...(byDrink.get(node.drink_id) ?? []), node]);
  const placed = new Map<number, Placed>();
  const lanes: Lane[] = [];
  let top = 0;
  for (const drinkId of inOrder(tree, byDrink)) {
    const nodes = byDrink.get(drinkId) ?? [];
    const own = new Set(nodes.map(({ id }) => id));
    const first = nodes[0];
    if (!first) continue;
    lanes.push({ drinkId, drink: first.drink, family: first.family, y: top });
    const parent = new Map(nodes.map(({ id }) => [id, parentsOf.get(id)?.find((value) => own.has(value))]));
    let row = 0;
    const place = (node: TreeNode, depth: number) => {
      placed.set(node.id, {
        node,
        x: names + depth * (NODE_SIZE.width + NODE_SIZE.gapX),
        y: top + title + row * (NODE_SIZE.height + NODE_SIZE.gapY),
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
    top += title + (row + 1) * (NODE_SIZE.height + NODE_SIZE.gapY) + LANE_GAP;
  }
  const width = Math.max(NODE_SIZE.width, ...[...placed.values()].map(({ x }) => x + NODE_SIZE.width));
  return { placed, lanes, width, height: top };
}

/** The drinks, each below the last of those that it descends from; else as they come. */
function inOrder(tree: Tree, byDrink: Map<number, TreeNode[]>): number[] {
  const drinkOf = new Map(tree.nodes.map(({ id, drink_id }) => [id, drink_id]));
  const order: number[] = [];
  for (const drinkId of byDrink.keys()) {
    const parents = tree.branches
      .filter(({ parent, child }) => drinkOf.get(child) === drinkId && drinkOf.get(parent) !== drinkId)
      .map(({ parent }) => order.indexOf(drinkOf.get(parent) ?? 0));
    const last = Math.max(-1, ...parents);
    if (last >= 0) order.splice(last + 1, 0, drinkId);
    else order.push(drinkId);
  }
  return order;
}

/** The way of a branch: straight on within a drink; to another drink down the gap beside its parent. */
export function branchPath(from: Placed, to: Placed): string {
  if (from.node.drink_id === to.node.drink_id) {
    const [x1, y1] = [from.x + NODE_SIZE.width, from.y + NODE_SIZE.height / 2];
    const [x2, y2] = [to.x, to.y + NODE_SIZE.height / 2];
    return `M${x1} ${y1}C${x1 + 16} ${y1} ${x2 - 16} ${y2} ${x2} ${y2}`;
  }
  const channel = from.x - NODE_SIZE.gapX / 2 + 4 * (from.node.number % 3);
  const into = to.x + 40;
  const above = to.y - NODE_SIZE.gapY / 2 - 4;
  return `M${from.x + 30} ${from.y + NODE_SIZE.height}V${from.y + NODE_SIZE.height + 6}H${channel}V${above}H${into}V${to.y}`;
}
