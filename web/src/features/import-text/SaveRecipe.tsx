import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { drinkQuery, familiesQuery, type ReadRecipe, type Spec, useAddSpec, useCreateDrink } from '@/api';
import { useSettings } from '@/hooks';
import { Button, ChoiceChips, ErrorMessage, TextField } from '@/ui';

interface Props {
  read: ReadRecipe;
  /** The drink among whose specs of others it may go. */
  others: string | null;
  onPut: () => void;
}

/** What it is called, of which family it is, and where it goes. */
export function SaveRecipe({ read, others, onPut }: Props) {
  const [name, setName] = useState(read.spec.name);
  const [family, setFamily] = useState<Spec['family'] | null>(null);
  const { ounceMl } = useSettings();
  const families = useQuery(familiesQuery()).data ?? [];
  const needed = read.lines.filter(({ taken }) => taken === 'asked').length + read.unknown.length;
  const called = name.trim() || read.spec.name;
  const chosen = family ?? read.spec.family;
  const form = chosen === read.spec.family ? read.spec.form : '';
  const spec = { ...read.spec, name: called, family: chosen, form, ounce_ml: ounceMl };
  return (
    <div className="panel flex flex-col gap-3 p-4">
      <TextField label="Name" value={name} onWrite={setName} />
      <ChoiceChips
        legend="Family"
        options={families.map(({ slug, name: words }): [Spec['family'], string] => [slug as Spec['family'], words])}
        value={chosen}
        onChoose={(slug) => setFamily(slug)}
      />
      {read.reasons.map((reason) => (
        <p key={reason} className="text-base text-quiet">
          {reason}
        </p>
      ))}
      {needed > 0 && (
        <p role="status" className="text-lg text-error">
          {needed === 1 ? 'Check one line' : `Check ${needed} lines`}: choose an ingredient or leave it out.
        </p>
      )}
      <DestinationChoice
        spec={spec}
        notes={read.notes.join('\n')}
        others={others}
        isReady={needed === 0}
        onPut={onPut}
      />
    </div>
  );
}

interface DestinationProps {
  spec: Spec;
  notes: string;
  others: string | null;
  isReady: boolean;
  onPut: () => void;
}

function DestinationChoice({ spec, notes, others, isReady, onPut }: DestinationProps) {
  const navigate = useNavigate();
  const { supposed } = useSettings();
  const begin = useCreateDrink();
  const gather = useAddSpec();
  const other = Number(others);
  const drink = useQuery({ ...drinkQuery(other), enabled: other > 0 });
  const isBusy = begin.isPending || gather.isPending;
  const onBench = () =>
    begin.mutate(
      {
        body: {
          name: spec.name,
          spec,
          trial_name: 'As written',
          reason: 'First version: the recipe as read.',
          parents: [],
          notes,
        },
      },
      {
        onSuccess: ({ id }) => {
          onPut();
          void navigate(`/bench/${id}`);
        },
      },
    );
  const amongOthers = () =>
    gather.mutate(
      { params: { path: { drink_id: other }, query: supposed }, body: { name: spec.name, spec } },
      {
        onSuccess: () => {
          onPut();
          void navigate(`/specs/${other}`);
        },
      },
    );
  return (
    <>
      <ErrorMessage fault={begin.error ?? gather.error} className="text-lg text-error" />
      <div className="flex flex-wrap gap-2">
        {other > 0 && (
          <Button look="primary" large disabled={!isReady || isBusy} onClick={amongOthers}>
            Add to other bars’ specs of {drink.data?.name ?? 'the drink'}
          </Button>
        )}
        <button
          type="button"
          className={`btn btn-lg ${other > 0 ? '' : 'btn-primary'}`}
          disabled={!isReady || isBusy}
          onClick={onBench}
        >
          Open on the bench
        </button>
      </div>
    </>
  );
}
