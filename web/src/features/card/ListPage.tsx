import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';

import { listQuery } from '../../api/queries/cards';
import { useSettings } from '../../lib/settings';
import { Waiting } from '../../shell/Waiting';
import { useTitle } from '../../ui/useTitle';
import { SheetPage } from './SheetPage';

/** A whole list on one sheet: the finished drinks, or those that the address names. */
export function ListPage() {
  const [params] = useSearchParams();
  const { supposed, way, shown, country } = useSettings();
  const drinks = (params.get('drinks') ?? '').split(',').map(Number).filter(Boolean);
  const sheet = useQuery(listQuery({ drinks, ...way, shown, country }, supposed));
  useTitle('Menu sheet');
  if (!sheet.data) return <Waiting error={sheet.error} />;
  return <SheetPage html={sheet.data.html} />;
}
