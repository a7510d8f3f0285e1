import { type MenuToday, useSetCurrency, useSetServes } from '@/api';
import { priceText } from '@/lib';
import { Disclosure, ErrorMessage, NumberField } from '@/ui';

/** How many of each drink are expected, and what it is sold for: the lists beside follow. */
export function ExpectedServes({ today }: { today: MenuToday }) {
  const mutation = useSetServes();
  const currency = useSetCurrency();
  return (
    <section aria-label="Serves expected" className="panel p-4 print:hidden">
      <Disclosure title="Serves and prices" count={today.drinks.reduce((all, { serves }) => all + (serves ?? 0), 0)}>
        <table className="w-full">
          <thead>
            <tr className="text-left text-base text-quiet">
              <th className="font-normal">Drink</th>
              <th className="w-20 font-normal">Serves</th>
              <th className="w-24 font-normal">Price</th>
              <th className="w-16 font-normal">Cost</th>
            </tr>
          </thead>
          <tbody>
            {today.drinks.map(({ drink_id, name, serves, price, cost, cost_missing, pour_cost }) => {
              const put = (change: { serves?: number | null; price?: number | null }) =>
                mutation.mutate({ params: { path: { drink_id } }, body: { serves, price, ...change } });
              return (
                <tr key={drink_id}>
                  <th scope="row" className="py-1 pr-2 text-left text-base leading-tight font-normal">
                    {name}
                  </th>
                  <td className="pr-1">
                    <NumberField
                      aria-label={`Serves of ${name}`}
                      className="input min-h-11 w-full px-2 font-figure"
                      most={10000}
                      placeholder="10"
                      value={serves}
                      onFigure={(number) => put({ serves: number === null ? null : Math.round(number) })}
                    />
                  </td>
                  <td>
                    <NumberField
                      aria-label={`Price of ${name}`}
                      className="input min-h-11 w-full px-2 font-figure"
                      most={100000}
                      value={price}
                      onFigure={(number) => put({ price: number })}
                    />
                  </td>
                  <td
                    className="pl-1 font-figure"
                    title={cost_missing.length > 0 ? `No price given for ${cost_missing.join(', ')}` : pour_cost}
                  >
                    {cost > 0 && `${cost_missing.length > 0 ? '≥ ' : ''}${priceText(cost, today.currency)}`}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <label className="flex items-center gap-2 pt-2 text-base">
          Prices in
          <input
            key={today.currency}
            className="input min-h-11 w-20"
            maxLength={8}
            defaultValue={today.currency}
            onBlur={({ target }) =>
              target.value.trim() !== today.currency && currency.mutate({ body: { sign: target.value } })
            }
          />
        </label>
        <p className="pt-1 text-base text-quiet">Empty counts as ten.</p>
        <ErrorMessage fault={mutation.error ?? currency.error} className="text-error" />
      </Disclosure>
    </section>
  );
}
