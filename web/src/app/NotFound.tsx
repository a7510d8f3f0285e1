import { Link } from 'react-router';

export function NotFound() {
  return (
    <main className="grid min-h-(--page) place-items-center p-6 text-center">
      <div>
        <h1 className="font-display text-3xl font-semibold">Page not found</h1>
        <p className="mt-2 text-quiet">The address may be mistyped, or the drink is in another data file.</p>
        <Link className="btn btn-primary mt-6" to="/recipes">
          Open Recipes
        </Link>
      </div>
    </main>
  );
}
