import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';

import { type Preparation, preparationsQuery, useCreatePreparation, useSavePreparationAs } from '@/api';
import { useSettings } from '@/hooks';
import type { usePreparationDraft } from './usePreparationDraft';

/** Writes a preparation down, as a new one or over the one that was read; both are kept where another window wrote meanwhile. */
export function useSavePreparation(slug: string, isKept: boolean, inHand: ReturnType<typeof usePreparationDraft>) {
  const navigate = useNavigate();
  const cache = useQueryClient();
  const { supposed } = useSettings();
  const add = useCreatePreparation();
  const save = useSavePreparationAs();
  const put = (body: Preparation, revision: string | null) =>
    save.mutate(
      { params: { path: { slug }, query: {}, header: { 'If-Match': revision } }, body },
      { onSuccess: (written) => inHand.setRead(written.revision) },
    );
  const addNew = () =>
    add.mutate(
      { params: { query: {} }, body: inHand.now },
      {
        onSuccess: ({ makes }) => {
          localStorage.removeItem('oenomel.preparation.new');
          void navigate(`/ingredients/prep/${makes.slug}`);
        },
      },
    );
  const takeTheirs = async () => {
    save.reset();
    const every = await cache.query({ ...preparationsQuery(supposed), staleTime: 0 });
    const theirs = every.find(({ makes }) => makes.slug === slug);
    if (theirs) inHand.take(theirs.file, theirs.revision);
  };
  return {
    write: () => (isKept ? put(inHand.now, inHand.read) : addNew()),
    insist: () => put(inHand.now, null),
    takeTheirs: () => void takeTheirs(),
    isPending: add.isPending || save.isPending,
    refusedNew: add.error,
    refused: save.error,
  };
}
