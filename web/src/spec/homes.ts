import type { Family, Forecast } from '@/api';

/** The home that a drink is held against: its family's, or that of the branch which is told with its place. */
export function homeOf(
  family: Family | undefined,
  place: Forecast['place'] | undefined,
): Family['homes'][number] | undefined {
  return place ? family?.homes.find(({ branch }) => branch === place.branch) : undefined;
}
