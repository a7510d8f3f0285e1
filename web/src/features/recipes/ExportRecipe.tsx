import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { useState } from 'react';

import { drinkQuery } from '@/api';
import { IconButton } from '@/ui';
import { ExportDrink } from '@/features/export';

/** A drink of the book to take along, as it lies on the bench or as it was kept last. */
export function ExportRecipe({ id, name }: { id: number; name: string }) {
  const [isOpen, setOpen] = useState(false);
  const { data: drink } = useQuery({ ...drinkQuery(id), enabled: isOpen });
  const spec = drink?.draft?.spec ?? drink?.trials.at(-1)?.spec;
  return (
    <>
      <IconButton
        icon={Download}
        label={`Export ${name}`}
        className="absolute top-2.5 right-2.5 border-transparent"
        onClick={() => setOpen(true)}
      />
      {isOpen && drink && spec && <ExportDrink drink={drink} spec={spec} onClose={() => setOpen(false)} />}
    </>
  );
}
