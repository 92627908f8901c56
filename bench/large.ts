import type { BookData } from '@usual-pantry/core/book';
import type { OrderFiled } from '@usual-pantry/core/order';
import { addDays } from '@usual-pantry/core/quantity';
import type { SeasonFile } from '@usual-pantry/core/season-file';

/** So many times the demo's orders, moulds, pans and cold room. */
const TIMES = 6;

/**
 * The season of a maker who lives from it: the demo's families of recipes, their sizes free where they are free there, six times its orders over
 * the same weeks, and a kitchen for that: six days of nine hours, an hour of overtime, a helper each day, six times the vessels.
 */
export function largeSeason(file: SeasonFile): { data: BookData; orders: OrderFiled[]; today: string } {
  const { kitchen } = file;
  const orders = Array.from({ length: TIMES }, (_, copy) =>
    file.orders
      // What cannot be made in time in the demo cannot be made in time here.
      .filter(({ handOver }) => handOver.on > addDays(file.writtenFor, 7))
      .map((order) => ({
        ...order,
        id: `${order.id}-${String(copy)}`,
        handOver: { ...order.handOver, on: addDays(order.handOver.on, copy % 3) },
      })),
  ).flat();
  return {
    data: {
      ...file,
      kitchen: {
        ...kitchen,
        benchWeek: [1, 2, 3, 4, 5, 6].map((weekday) => ({ weekday, hours: 9, begins: 480 })),
        dayChanges: Array.from({ length: 40 }, (_, day) => addDays(file.writtenFor, day)).map((day) => ({
          day,
          hours: null,
          begins: null,
          helperHours: 6,
          humid: false,
          roomCelsius: null,
          humidityPercent: null,
        })),
        overtimeMinutes: 60,
        burners: kitchen.burners * 2,
        pots: kitchen.pots.flatMap((pot) => Array.from({ length: 3 }, () => pot)),
        pans: kitchen.pans.map((pan) => ({ ...pan, count: pan.count * TIMES })),
        moulds: kitchen.moulds.map((mould) => ({ ...mould, count: mould.count * TIMES })),
        coldPlaces: kitchen.coldPlaces.map((place) => ({ ...place, litres: place.litres * TIMES })),
      },
    },
    orders,
    today: file.writtenFor,
  };
}
