import { Dialog } from '@/ui';
import { KEY_GROUPS, type KeyName, KEYS, shownKey } from '@/hooks';

const NAMES = Object.keys(KEYS) as KeyName[];

/** The keys, under "?". */
export function ShortcutsDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog heading="Keyboard shortcuts" wide onClose={onClose}>
      <div className="gap-x-8 md:columns-2">
        {KEY_GROUPS.map((place) => (
          <section key={place} className="mb-4 break-inside-avoid">
            <h3 className="mb-1 font-semibold">{place}</h3>
            <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-3 gap-y-1.5 text-base">
              {NAMES.filter((name) => KEYS[name].where === place).map((name) => (
                <div key={name} className="contents">
                  <dt>
                    <kbd className="kbd bg-base-100 font-figure text-sm whitespace-nowrap">{shownKey(name)}</kbd>
                  </dt>
                  <dd>{KEYS[name].does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
