import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useSearchParams } from 'react-router';

import { type FixedSpec, larderQuery, ProblemError, recipeTextQuery } from '@/api';
import { ErrorMessage, LoadingOrError, PageHeader } from '@/ui';
import { useDebouncedValue, useDocumentTitle } from '@/hooks';
import { FileDrop } from './FileDrop';
import { rememberPasted, lastPasted } from './pastedText';
import { SaveRecipe } from './SaveRecipe';
import { ParsedLines } from './ParsedLines';

const REST_MS = 300;
const EXAMPLE = `Potting Shed Sour
60 ml London dry gin
22.5 ml lemon juice
¾ oz simple syrup
Shake 12 seconds, strain into a coupe.
Garnish with a lemon twist.`;

/** A recipe as people write it, and beside it what each line was taken for. */
export function ImportTextPage() {
  const [params] = useSearchParams();
  const given = useLocation().state as { text?: string } | null;
  const [text, setText] = useState(() => given?.text ?? lastPasted());
  const [mended, setMended] = useState<Record<string, FixedSpec>>({});
  const larder = useQuery(larderQuery());
  const read = useQuery(recipeTextQuery(useDebouncedValue(text, REST_MS), mended));
  useDocumentTitle('Paste a recipe');
  if (!larder.data) return <LoadingOrError error={larder.error} />;
  const write = (written: string) => {
    setText(written);
    rememberPasted(written);
  };
  const mend = (line: string, change: Partial<FixedSpec>) =>
    setMended({ ...mended, [line]: { slug: '', amount: '', left_out: false, ...mended[line], ...change } });
  const found = text.trim() && !read.error ? read.data : undefined;
  return (
    <div className="page-body">
      <PageHeader>
        <h1 className="font-display text-2xl leading-tight font-semibold">Paste a recipe</h1>
      </PageHeader>
      <main className="grid min-w-0 items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
        <FileDrop className="panel flex flex-col gap-2 p-4 lg:sticky lg:top-4" onText={write}>
          <label htmlFor="recipe" className="text-lg">
            Recipe
          </label>
          <textarea
            id="recipe"
            autoFocus
            className="textarea min-h-[34vh] w-full text-lg leading-snug lg:min-h-[62vh]"
            spellCheck={false}
            placeholder={EXAMPLE}
            value={text}
            onChange={(event) => write(event.target.value)}
          />
          <p className="text-base text-quiet">Or drop a file here. Nothing leaves this machine.</p>
        </FileDrop>
        <section aria-label="Result" className="flex min-w-0 flex-col gap-3">
          {read.error instanceof ProblemError && text.trim() && (
            <ErrorMessage fault={read.error} className="panel p-4 text-lg text-error" />
          )}
          {!text.trim() && (
            <p className="panel max-w-prose p-4 text-lg">
              Each line appears here as it is understood. Anything doubtful is marked for you to check.
            </p>
          )}
          {found && (
            <>
              <ParsedLines read={found} larder={larder.data} onMend={mend} />
              <SaveRecipe
                key={found.spec.name}
                read={found}
                others={params.get('for')}
                onPut={() => rememberPasted('')}
              />
            </>
          )}
        </section>
      </main>
    </div>
  );
}
