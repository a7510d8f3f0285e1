import { Snowflake } from 'lucide-react';
import { useState } from 'react';

import type { Assumptions } from '@/api';
import { changeSettings, useSettings } from '@/hooks';
import { Button, ChoiceChips, Dialog, FormField, NumberField } from '@/ui';

const SCHOOLS: { dilution: NonNullable<Assumptions['dilution']>; name: string; words: string }[] = [
  {
    dilution: 'curve',
    name: 'Standard estimate',
    words: 'by strength, as measured for full shakes and stirs over cubes',
  },
  {
    dilution: 'heat balance',
    name: 'Heat balance',
    words: 'from ice and bottle temperatures: suits few cubes, freezer ice and non-alcoholic drinks',
  },
];
const ICE_C: [number, string][] = [
  [0, 'wet, from the bin'],
  [-18, 'from the freezer'],
];
const START_C: [number, string][] = [
  [4, 'from the fridge'],
  [-15, 'from the freezer'],
];
const USUAL_ROOM_C = 22;
/** A hot day, in the room and in the bottles. */
const HOT_C = 32;
const ICE_G: [number | null, string][] = [
  [null, 'a full tin'],
  [150, 'half a tin'],
  [90, 'two or three cubes'],
];

/** By which school the water is foreseen, and today's ice; it holds for every drink on this bench. */
export function IceDialog() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button look="outline" large className="gap-1.5 text-base" title="Dilution model" onClick={() => setOpen(true)}>
        <Snowflake size={18} aria-hidden /> Dilution
      </Button>
      {open && <TodaysIce onClose={() => setOpen(false)} />}
    </>
  );
}

function TodaysIce({ onClose }: { onClose: () => void }) {
  const { supposed } = useSettings();
  const set = (change: Partial<Assumptions>) => changeSettings({ supposed: { ...supposed, ...change } });
  const school = supposed.dilution ?? 'curve';
  return (
    <Dialog
      heading="Dilution"
      onClose={onClose}
      actions={
        <Button large onClick={() => changeSettings({ supposed: {} })}>
          Reset
        </Button>
      }
    >
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 text-quiet">Estimated by</legend>
        {SCHOOLS.map(({ dilution, name, words }) => (
          <label key={dilution} className="flex cursor-pointer items-start gap-3 rounded-xl border border-base-300 p-3">
            <input
              type="radio"
              name="dilution"
              className="radio mt-1"
              checked={school === dilution}
              onChange={() => set({ dilution })}
            />
            <span>
              <span className="block text-lg font-semibold">{name}</span>
              <span className="block text-quiet">{words}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <ChoiceChips
        legend="Conditions"
        options={[
          ['usual', 'a usual day'],
          ['hot', 'a hot day'],
        ]}
        value={(supposed.room_c ?? USUAL_ROOM_C) >= HOT_C ? 'hot' : 'usual'}
        onChoose={(day: string) =>
          set(day === 'hot' ? { room_c: HOT_C, start_c: HOT_C } : { room_c: USUAL_ROOM_C, start_c: USUAL_ROOM_C })
        }
      />
      <FormField quiet label="Room, °C">
        <NumberField
          className="input min-h-11 w-24 font-figure text-lg"
          value={supposed.room_c ?? USUAL_ROOM_C}
          most={50}
          unit="°C"
          onFigure={(room_c) => set({ room_c: room_c ?? USUAL_ROOM_C })}
        />
      </FormField>
      <ChoiceChips legend="Ice" options={ICE_C} value={supposed.ice_c ?? 0} onChoose={(ice_c) => set({ ice_c })} />
      <ChoiceChips
        legend="Amount of ice"
        options={ICE_G}
        value={supposed.ice_g ?? null}
        onChoose={(ice_g) => set({ ice_g })}
      />
      <ChoiceChips
        legend="Bottles"
        options={[[supposed.room_c ?? USUAL_ROOM_C, 'at room temperature'], ...START_C]}
        value={supposed.start_c ?? USUAL_ROOM_C}
        onChoose={(start_c) => set({ start_c })}
      />
      {school === 'curve' && (
        <p className="text-quiet">
          The standard estimate uses strength, technique and time. Ice, bottles and room still change the temperature,
          and how fast it dilutes in the glass.
        </p>
      )}
    </Dialog>
  );
}
