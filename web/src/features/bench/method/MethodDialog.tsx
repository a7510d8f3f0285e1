import type { Ingredient, Spec } from '@/api';
import { changeSettings, type MethodDefaults, useSettings } from '@/hooks';
import { ChoiceChips, Dialog } from '@/ui';
import { IceDialog } from './IceDialog';
import { MethodFields } from './MethodFields';

interface Props {
  spec: Spec;
  larder: Ingredient[];
  onChange: (of: (spec: Spec) => Spec, what: string) => void;
  onClose: () => void;
}

const ORDERS: [MethodDefaults['order'], string][] = [
  ['cheap and risky first', 'cheap ingredients first'],
  ['spirit first', 'spirit first'],
  ['as written', 'as written'],
];
const SPARKLING: [MethodDefaults['sparkling'], string][] = [
  ['on top', 'on top'],
  ['in the glass first', 'in the glass first'],
  ['half and half', 'half and half'],
];

/** How this drink is worked, and by which schools the house makes all of them. */
export function MethodDialog({ spec, larder, onChange, onClose }: Props) {
  return (
    <Dialog heading="Method" wide onClose={onClose} actions={<IceDialog />}>
      <div className="flex flex-col gap-4">
        <fieldset className="grid items-start gap-3 md:grid-cols-2 md:gap-x-6">
          <legend className="mb-1 font-semibold">This drink</legend>
          <MethodFields spec={spec} larder={larder} onChange={onChange} />
        </fieldset>
        <fieldset className="grid items-start gap-3 border-t border-base-300 pt-3 md:grid-cols-2 md:gap-x-6">
          <legend className="float-left mb-1 w-full font-semibold md:col-span-2">Every drink</legend>
          <HouseWay />
        </fieldset>
      </div>
    </Dialog>
  );
}

/** The schools by which the house makes all its drinks. */
function HouseWay() {
  const { way } = useSettings();
  return (
    <>
      <ChoiceChips
        legend="Order"
        options={ORDERS}
        value={way.order}
        onChoose={(order) => changeSettings({ way: { ...way, order } })}
      />
      <ChoiceChips
        legend="Sparkling part"
        options={SPARKLING}
        value={way.sparkling}
        onChoose={(sparkling) => changeSettings({ way: { ...way, sparkling } })}
      />
      <p className="text-quiet md:col-span-2">
        Juice and egg first: if one spoils, little is lost. The spirit goes in last. Nothing sparkling goes into a
        shaker.
      </p>
    </>
  );
}
