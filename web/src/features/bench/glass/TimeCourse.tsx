import { useQuery } from '@tanstack/react-query';
import { memo } from 'react';

import { type Course, courseQuery, type Spec } from '@/api';
import { degreesText, levelText } from '@/lib';
import { useDebouncedValue, useSettings } from '@/hooks';
import { SERVED } from '@/spec';
import { TimeCurves } from './TimeCurves';
import { Sips } from './Sips';

interface Props {
  spec: Spec;
}

type Ice = Spec['serve']['ice'];

/** What becomes of the drink while it is drunk: how far each axis drops, in noticeable steps, and its figures at three sips. */
export const TimeCourse = memo(function TwentyMinutes({ spec }: Props) {
  const { supposed } = useSettings();
  // It comes a moment later than the figures, which a hand at the bench waits for.
  const rested = useDebouncedValue(spec, 200);
  const { data: course } = useQuery(courseQuery(rested, supposed));
  return (
    <section className="flex shrink-0 flex-col gap-1" aria-label="Over 20 minutes">
      <h3 className="font-display text-lg leading-tight font-semibold">Over 20 minutes {SERVED[spec.serve.ice]}</h3>
      {course && changes(course) && (
        <>
          <TimeCurves course={course} />
          <Sips course={course} />
        </>
      )}
      {course && <p className="text-sm leading-snug text-quiet">{told(course, spec.serve.ice)}</p>}
    </section>
  );
});

/** Whether there is anything to draw: served up, a drink only warms. */
function changes(course: Course): boolean {
  return course.top !== null || course.undissolved_g[0] !== 0 || course.volume_ml[0] !== course.volume_ml[20];
}

function told(course: Course, ice: Ice): string {
  if (course.top) {
    const first = course.top.abv[0] ?? 0;
    return `The float: ${levelText(first, 'abv')}% ABV and ${levelText(course.top.sugar[0] ?? 0, 'sugar')} g sugar/100 ml at first. Unstirred, it sinks in within 15 minutes.`;
  }
  const cube = course.undissolved_g[0] ?? 0;
  if (cube > 0)
    return `The sugar cube: ${cube.toFixed(0)} g at first, ${(course.undissolved_g[20] ?? 0).toFixed(1)} g undissolved at the end.`;
  if (course.leaves_home !== null) return `Leaves the typical range after ${course.leaves_home} min. An estimate.`;
  if (ice === 'none') {
    const at = (minute: number) => `${degreesText(course.temperature_c[minute] ?? 0)} °C`;
    return `No ice. It warms from ${at(0)} to ${at(10)} in 10 minutes and ${at(20)} in 20. An estimate.`;
  }
  return 'In the typical range to the last sip. An estimate.';
}
