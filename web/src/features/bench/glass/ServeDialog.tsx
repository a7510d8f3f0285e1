import { useQuery } from '@tanstack/react-query';

import { type Glass, type Serve, servesQuery, type Spec } from '@/api';
import { AXES, capital, degreesText, levelText } from '@/lib';
import { useSettings } from '@/hooks';
import { SERVED } from '@/spec';
import { AxisMark, Dialog, GlassDrawing } from '@/ui';
import { TimeCourse } from './TimeCourse';

interface Props {
  spec: Spec;
  glass: Glass | undefined;
  onIce: (ice: Spec['serve']['ice']) => void;
  onClose: () => void;
}

type Ice = Spec['serve']['ice'];

/** The same drink up, on cubes, on one large cube, on crushed ice: side by side, with the minutes until it leaves its home. */
export function ServeDialog({ spec, glass, onIce, onClose }: Props) {
  const { supposed } = useSettings();
  const { data: serves } = useQuery(servesQuery({ ...spec, serve: { ...spec.serve, ice: 'none' } }, supposed));
  return (
    <Dialog heading="Ice and serving" wide onClose={onClose}>
      <p className="-mt-2 text-quiet">The same drink over 20 minutes, by ice. An estimate.</p>
      {!serves && <p aria-busy="true">Working out 20 minutes on each ice…</p>}
      <div role="group" aria-label="Served" className="grid grid-cols-2 gap-2 md:grid-cols-4">
        {serves?.map((serve) => (
          <Column
            key={serve.ice}
            serve={serve}
            glass={glass}
            chosen={serve.ice === spec.serve.ice}
            onChoose={() => onIce(serve.ice as Ice)}
          />
        ))}
      </div>
      <TimeCourse spec={spec} />
    </Dialog>
  );
}

interface ColumnProps {
  serve: Serve;
  glass: Glass | undefined;
  chosen: boolean;
  onChoose: () => void;
}

function Column({ serve, glass, chosen, onChoose }: ColumnProps) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      className={`flex cursor-pointer flex-col items-center gap-1 rounded-2xl border-2 p-2 text-center ${chosen ? 'border-base-content bg-secondary' : 'border-base-300'}`}
      onClick={onChoose}
    >
      <span className="font-display text-lg font-semibold">{capital(SERVED[serve.ice as Ice])}</span>
      {glass && serve.sight && (
        <GlassDrawing glass={glass} appearance={serve.sight} width={120} height={112} pxPerCm={5.3} />
      )}
      <span className="min-h-12 text-base leading-tight font-semibold">{capital(serve.words)}</span>
      <span className="grid w-full grid-cols-[auto_1fr_1fr] gap-x-1 text-base">
        <span />
        <span className="text-right text-sm text-quiet">at first</span>
        <span className="text-right text-sm text-quiet">10 min</span>
        {AXES.map((axis) => (
          <span key={axis} className="contents">
            <AxisMark axis={axis} size={13} />
            <span className="sr-only">{{ sugar: 'sweetness', acid: 'acidity', abv: 'strength' }[axis]}</span>
            {serve.sips.slice(0, 2).map((sip) => (
              <span key={sip.minute} className="text-right font-figure">
                {levelText(sip[axis], axis)}
              </span>
            ))}
          </span>
        ))}
        <span className="text-left text-sm text-quiet">°C</span>
        {serve.sips.slice(0, 2).map((sip) => (
          <span key={sip.minute} className="text-right font-figure">
            {degreesText(sip.temperature_c)}
          </span>
        ))}
      </span>
    </button>
  );
}
