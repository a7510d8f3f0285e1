import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';

import { listQuery } from '@/api';
import { useDocumentTitle, useSettings } from '@/hooks';
import { LoadingOrError, PrintPage, ServerSheet } from '@/ui';

/** A whole list on one sheet: the finished drinks, or those that the address names. */
export function MenuSheetPage() {
  const [params] = useSearchParams();
  const { supposed, way, shown, country } = useSettings();
  const drinks = (params.get('drinks') ?? '').split(',').map(Number).filter(Boolean);
  const sheet = useQuery(listQuery({ drinks, ...way, shown, country }, supposed));
  useDocumentTitle('Menu sheet');
  if (!sheet.data) return <LoadingOrError error={sheet.error} />;
  return (
    <PrintPage>
      <ServerSheet html={sheet.data.html} />
    </PrintPage>
  );
}
