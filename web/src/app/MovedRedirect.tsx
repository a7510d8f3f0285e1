import { generatePath, Navigate, useLocation, useParams } from 'react-router';

/** Leads from an old address to the new one; what was asked for in it stays. */
export function MovedRedirect({ to }: { to: string }) {
  const here = useLocation();
  const { search, hash } = here;
  return (
    <Navigate replace to={{ pathname: generatePath(to, useParams()), search, hash }} state={here.state as unknown} />
  );
}
