import { BookOpen, Citrus, ConciergeBell, GlassWater, Lightbulb, Martini, type LucideIcon } from 'lucide-react';

/** One view of a place: where it is, its name on the tab and as the page's title, and what it is for. */
export interface SectionTab {
  to: string;
  name: string;
  does: string;
}

/** One of the six places; its pages' addresses begin with one of `paths`. */
export interface Section {
  name: string;
  to: string;
  icon: LucideIcon;
  tabs: SectionTab[];
  paths: string[];
}

export const SECTIONS: Section[] = [
  { name: 'Bench', to: '/', icon: Martini, tabs: [], paths: ['/bench'] },
  {
    name: 'Recipes',
    to: '/recipes',
    icon: BookOpen,
    tabs: [
      { to: '/recipes', name: 'Drinks', does: 'all your drinks, and new ones' },
      { to: '/recipes/family-tree', name: 'Family tree', does: 'which trial came from which' },
      { to: '/recipes/menu-sheet', name: 'Menu sheet', does: 'finished drinks to print' },
      { to: '/recipes/import', name: 'Import', does: 'files from elsewhere' },
    ],
    paths: ['/recipes', '/paste', '/card', '/specs'],
  },
  {
    name: 'New ideas',
    to: '/ideas',
    icon: Lightbulb,
    tabs: [
      { to: '/ideas', name: 'One drink', does: 'balanced drinks you haven’t made yet' },
      { to: '/ideas/menu', name: 'A menu', does: 'six new drinks that suit each other' },
      { to: '/ideas/pairings', name: 'Aroma pairings', does: 'which aromas go together' },
    ],
    paths: ['/ideas'],
  },
  {
    name: 'Ingredients',
    to: '/ingredients',
    icon: Citrus,
    tabs: [
      { to: '/ingredients', name: 'All ingredients', does: 'composition, use and price' },
      { to: '/ingredients/stock', name: 'Stock', does: 'what you have' },
      { to: '/ingredients/open', name: 'Open bottles and juice', does: 'today’s juice and bottles' },
      { to: '/ingredients/prep', name: 'Prep', does: 'syrups, cordials, infusions' },
    ],
    paths: ['/ingredients'],
  },
  {
    name: 'Tasting',
    to: '/tasting',
    icon: GlassWater,
    tabs: [
      { to: '/tasting', name: 'Sessions', does: 'taste trials and write notes' },
      { to: '/tasting/next', name: 'What to try next', does: 'the next trial of each drink' },
      { to: '/tasting/palates', name: 'Palates', does: 'who likes what' },
      { to: '/tasting/training', name: 'Training', does: 'triangle tests and questions' },
    ],
    paths: ['/tasting', '/taste', '/trials'],
  },
  {
    name: 'Service',
    to: '/service',
    icon: ConciergeBell,
    tabs: [
      { to: '/service', name: 'Today', does: 'what to adjust, prepare and buy' },
      { to: '/service/batches', name: 'Batches', does: 'bottled drinks, and what is left' },
      { to: '/service/event-plan', name: 'Event plan', does: 'prep list and shopping list' },
    ],
    paths: ['/service'],
  },
];

/** At the thumb on a phone; the others are behind More. */
export const BOTTOM_NAV = ['Bench', 'Recipes', 'Ingredients', 'Service'];

/** The place that an address belongs to. */
export function sectionOf(pathname: string): Section | undefined {
  return SECTIONS.find(({ paths }) => paths.some((path) => pathname === path || pathname.startsWith(`${path}/`)));
}

/** The tab of a place that an address belongs to: the one with the longest address that it begins with. */
export function tabOf(place: Section, pathname: string): SectionTab | undefined {
  const open = place.tabs.filter(({ to }) => pathname === to || pathname.startsWith(`${to}/`));
  return open.sort((one, other) => other.to.length - one.to.length)[0];
}

/** Where pages were before, and where they are now; parts of an address that begin with a colon stay. */
export const MOVED_PATHS: [string, string][] = [
  ['/book', '/recipes'],
  ['/tree', '/recipes/family-tree'],
  ['/list', '/recipes/menu-sheet'],
  ['/import', '/recipes/import'],
  ['/originals', '/ideas'],
  ['/originals/list', '/ideas/menu'],
  ['/originals/kinship', '/ideas/pairings'],
  ['/larder', '/ingredients'],
  ['/larder/:slug', '/ingredients/all/:slug'],
  ['/shelf', '/ingredients/stock'],
  ['/lots', '/ingredients/open'],
  ['/lots/:lotId', '/ingredients/open/:lotId'],
  ['/lots/:lotId/label', '/ingredients/open/:lotId/label'],
  ['/stillroom', '/ingredients/prep'],
  ['/stillroom/:slug', '/ingredients/prep/:slug'],
  ['/palates', '/tasting/palates'],
  ['/tongue', '/tasting/training'],
  ['/tongue/sitting/:sittingId', '/tasting/training/session/:sittingId'],
  ['/tongue/exercise/:exerciseId', '/tasting/training/question/:exerciseId'],
  ['/today', '/service'],
  ['/batches', '/service/batches'],
  ['/batches/:batchId', '/service/batches/:batchId'],
  ['/batches/:batchId/label', '/service/batches/:batchId/label'],
  ['/batch/:drinkId', '/service/batch/:drinkId'],
  ['/tonight', '/service/event-plan'],
];
