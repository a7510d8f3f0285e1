import { fetchDrink } from '@/api';

/** The id of a drink's trial by its number, asked for when it is needed. */
export async function trialIdOf(drinkId: number, number: number): Promise<number> {
  const drink = await fetchDrink(drinkId);
  const trial = drink.trials.find((item) => item.number === number);
  if (!trial) throw new Error('a drink of the list has its trial');
  return trial.id;
}
