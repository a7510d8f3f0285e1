import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';

import type { Spec } from '../../api/client';
import { capital, level } from '../../lib/format';
import { useSettings } from '../../lib/settings';
import { AxisMark } from '../../ui/AxisMark';
import { TopBar } from '../../ui/TopBar';
import { Waiting } from '../../ui/Waiting';
import { drinkQuery } from '../bench/useDrink';
import { larderQuery } from '../bench/useLarder';
import { CloudField } from './CloudField';
import { cloudQuery, useGather, useLayOnBench } from './useNotebook';
import { AXES, pourWords } from './words';

/** Many specs of one drink, from books and colleagues: a cloud with its middle and its outliers, and a start from any. */
export function SpecsPage() {
  const id = Number(useParams().drinkId);
  const { supposed, shown } = useSettings();
  const drink = useQuery(drinkQuery(id));
  const larder = useQuery(larderQuery());
  const cloud = useQuery(cloudQuery(id, supposed));
  const lay = useLayOnBench(id);
  const navigate = useNavigate();
  const { add, drop } = useGather(id);
  const [name, setName] = useState('');
  const [file, setFile] = useState('');
  const [unreadable, setUnreadable] = useState('');
  const [over, setOver] = useState<number | null>(null);
  if (!drink.data || !cloud.data || !larder.data) {
    return <Waiting error={drink.error ?? cloud.error ?? larder.error} />;
  }
  const { points, middle, middle_figures, sentence } = cloud.data;
  const names = new Map(larder.data.map(({ slug, name: called }) => [slug, called]));
  const nameOf = (slug: string) => names.get(slug) ?? slug;
  const last = drink.data.trials.at(-1);
  const lying = drink.data.draft?.spec ?? last?.spec;
  const start = (spec: Spec) =>
    last && lay.mutate({ spec, parent: last.id }, { onSuccess: () => void navigate(`/bench/${id}`) });
  const gather = (spec: Spec) =>
    add.mutate(
      { name: name.trim(), spec },
      {
        onSuccess: () => {
          setName('');
          setFile('');
        },
      },
    );
  const gatherFile = () => {
    try {
      setUnreadable('');
      gather(JSON.parse(file) as Spec);
    } catch {
      setUnreadable('This is no spec file: paste the JSON text that another Oenomel wrote.');
    }
  };
  const refused = add.error ?? drop.error ?? lay.error;
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1440px] flex-col gap-3 p-3">
      <TopBar
        actions={
          <Link className="btn btn-ghost min-h-11 border-base-300 text-base" to={`/trials/${id}`}>
            To its trials
          </Link>
        }
      >
        <div className="min-w-0">
          <h1 className="truncate font-display text-2xl leading-tight font-semibold">{drink.data.name}</h1>
          <p className="text-base text-quiet">as others pour it</p>
        </div>
      </TopBar>
      <main className="grid min-w-0 items-start gap-3 lg:grid-cols-[minmax(0,1fr)_440px]">
        <section aria-label="The cloud" className="panel p-3 sm:p-4">
          <p className="mb-2 text-xl leading-snug font-semibold">{sentence}</p>
          {points.length > 0 && <CloudField cloud={cloud.data} over={over} onOver={setOver} />}
          {middle && middle_figures && (
            <div className="mt-3 border-t border-base-300 pt-3">
              <h2 className="text-xl font-semibold">The middle, as it can be poured</h2>
              <p className="text-lg">
                {middle.pours.map((pour) => pourWords(pour, middle, shown, nameOf)).join(' · ')}
              </p>
              <button type="button" className="btn btn-primary mt-2 min-h-11 text-base" onClick={() => start(middle)}>
                Start in the middle
              </button>
            </div>
          )}
        </section>
        <div className="flex flex-col gap-3">
          <ul className="flex flex-col gap-2" aria-label="Specs">
            {points.map((point) => (
              <li
                key={point.id}
                className={`panel p-3 ${over === point.id ? 'border-base-content' : ''}`}
                onMouseEnter={() => setOver(point.id)}
                onMouseLeave={() => setOver(null)}
              >
                <p className="text-lg leading-tight font-semibold">
                  {point.name}
                  {point.outlier && <span className="font-normal text-accent"> stands apart</span>}
                </p>
                <p className="text-base text-quiet">
                  {point.spec.pours.map((pour) => pourWords(pour, point.spec, shown, nameOf)).join(' · ')}
                </p>
                <p className="flex flex-wrap items-center gap-x-4">
                  {AXES.map((axis) => (
                    <span key={axis} className="flex items-center gap-1.5">
                      <AxisMark axis={axis} /> <span className="font-figure">{level(point.figures[axis], axis)}</span>
                    </span>
                  ))}
                  <span className="ml-auto flex gap-1">
                    <button
                      type="button"
                      className="btn btn-ghost min-h-11 border-base-300 text-base"
                      aria-label={`Start from it: ${point.name}`}
                      onClick={() => start(point.spec)}
                    >
                      Start from it
                    </button>
                    <button
                      type="button"
                      className="btn btn-ghost min-h-11 text-base font-normal"
                      aria-label={`Take out ${point.name}`}
                      onClick={() => drop.mutate(point.id)}
                    >
                      Take out
                    </button>
                  </span>
                </p>
              </li>
            ))}
          </ul>
          <section aria-label="Add a spec" className="panel flex flex-col gap-3 p-4">
            <h2 className="text-xl font-semibold">Add a spec</h2>
            <label className="flex flex-col gap-1 text-base">
              Whose it is
              <input
                className="input input-lg w-full"
                maxLength={200}
                placeholder="A book, a colleague"
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            </label>
            {lying && (
              <button
                type="button"
                className="btn min-h-11 text-base"
                disabled={!name.trim() || add.isPending}
                onClick={() => gather(lying)}
              >
                Take it as it lies on the bench
              </button>
            )}
            <label className="flex flex-col gap-1 text-base">
              or paste a spec file
              <textarea
                className="textarea w-full font-figure text-sm"
                rows={3}
                value={file}
                placeholder='{"format": "oenomel/spec", …}'
                onChange={(event) => setFile(event.target.value)}
              />
            </label>
            <button
              type="button"
              className="btn min-h-11 text-base"
              disabled={!name.trim() || !file.trim() || add.isPending}
              onClick={gatherFile}
            >
              Add the file
            </button>
            {(unreadable || refused) && (
              <p role="alert" className="text-error">
                {unreadable || capital(refused?.message ?? '')}
              </p>
            )}
          </section>
        </div>
      </main>
    </div>
  );
}
