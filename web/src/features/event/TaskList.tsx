import type { EventTask } from '@/api';
import { useWithVolumes } from '@/hooks';

interface Props {
  tasks: EventTask[];
  hands: number;
  /** Whether the reason for each is shown; on paper it always is. */
  details: boolean;
  onTick: (task: EventTask, done: boolean) => void;
}

export const clockTime = (iso: string): string =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

const dayOf = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });

/** The tasks in the order of their times, each to tick off; a new day has its heading. */
export function TaskList({ tasks, hands, details, onTick }: Props) {
  const inUnit = useWithVolumes();
  return (
    <ol aria-label="Tasks" className="flex flex-col">
      {tasks.map((task, index) => {
        const before = tasks[index - 1];
        const day = dayOf(task.begins_at);
        return (
          <li key={task.key} className="border-b border-base-300 last:border-0">
            {(!before || dayOf(before.begins_at) !== day) && <p className="pt-1 text-base text-quiet">{day}</p>}
            <label className="flex min-h-13 cursor-pointer items-center gap-3 py-1">
              <input
                type="checkbox"
                className="checkbox shrink-0"
                checked={task.done}
                onChange={(event) => onTick(task, event.target.checked)}
              />
              <span
                className={`font-figure text-2xl font-semibold max-sm:text-xl ${task.done ? 'text-quiet' : task.late ? 'text-warning' : ''}`}
              >
                {clockTime(task.begins_at)}
              </span>
              <span className={`min-w-0 grow leading-tight ${task.done ? 'text-quiet line-through' : ''}`}>
                <span className="text-lg font-semibold">{inUnit(task.words)}</span>
                <span className="block text-base text-quiet">
                  {[
                    task.late && 'Late',
                    `${task.minutes} min`,
                    task.ready_at !== task.ends_at && `Ready at ${clockTime(task.ready_at)}`,
                  ]
                    .filter(Boolean)
                    .join('. ')}
                </span>
                {task.why && (
                  <span className={`text-base text-quiet print:block ${details ? 'block' : 'hidden'}`}>
                    {inUnit(task.why)}
                  </span>
                )}
              </span>
              {hands > 1 && (
                <span className="shrink-0 rounded-lg bg-base-200 px-2 py-0.5 text-base" title="Who does it">
                  {task.hand + 1}
                </span>
              )}
            </label>
          </li>
        );
      })}
    </ol>
  );
}
