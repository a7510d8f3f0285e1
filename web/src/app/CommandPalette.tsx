import { Command } from 'cmdk';
import { useEffect, useRef, useState } from 'react';

import { COMMAND_GROUPS, currentCommands, shownKey } from '@/hooks';

interface Props {
  onClose: () => void;
}

/** Every typed word has to stand in a command; what begins with the first of them comes first. */
function found(words: string, typed: string): number {
  const [text, wanted] = [` ${words.toLowerCase()}`, typed.toLowerCase().split(/\s+/).filter(Boolean)];
  if (!wanted.every((item) => text.includes(item))) return 0;
  const first = text.indexOf(` ${wanted[0] ?? ''}`);
  return first < 0 ? 0.1 : 1 / (1 + first);
}

/** Everything that can be done from here, found by a few letters. */
export function CommandPalette({ onClose }: Props) {
  // Asked for when it opens: what the bench offers changes with every key.
  const [commands] = useState(currentCommands);
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    dialog.current?.showModal();
    // What opens as a dialog focuses the first thing in it that can be; the hand goes on typing.
    dialog.current?.querySelector('input')?.focus();
  }, []);
  const groups = COMMAND_GROUPS.filter((group) => commands.some((command) => command.group === group));
  return (
    <dialog
      ref={dialog}
      className="modal modal-top justify-items-center"
      aria-label="Commands"
      onClose={onClose}
      onClick={(event) => event.target === dialog.current && dialog.current.close()}
    >
      <Command
        label="Commands"
        loop
        filter={found}
        className="panel mt-[8vh] outline-none flex max-h-[76vh] w-[min(620px,94vw)] flex-col overflow-hidden shadow-xl"
      >
        <Command.Input
          autoFocus
          placeholder="Type a command, an ingredient or a drink"
          maxLength={80}
          className="min-h-14 border-b border-base-300 bg-transparent px-4 text-xl outline-none"
        />
        <Command.List className="min-h-0 overflow-y-auto p-2">
          <Command.Empty className="px-3 py-4">
            No command matches. Try an ingredient, a glass, a drink, or a word like “undo”, “ice” or “ounces”.
          </Command.Empty>
          {groups.map((group) => (
            <Command.Group
              key={group}
              heading={group}
              className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-quiet"
            >
              {commands
                .filter((command) => command.group === group)
                .map(({ words, hotkey, run }) => (
                  <Command.Item
                    key={words}
                    value={words}
                    keywords={[group]}
                    className="flex min-h-11 cursor-pointer items-center gap-3 rounded-xl px-3 text-lg data-[selected=true]:bg-secondary"
                    onSelect={() => {
                      dialog.current?.close();
                      run();
                    }}
                  >
                    <span className="min-w-0 grow truncate">{words}</span>
                    {hotkey && <kbd className="kbd shrink-0 bg-base-100 font-figure">{shownKey(hotkey)}</kbd>}
                  </Command.Item>
                ))}
            </Command.Group>
          ))}
        </Command.List>
      </Command>
    </dialog>
  );
}
