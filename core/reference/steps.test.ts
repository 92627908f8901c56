// Steps of our own, as they are written in many kitchens, with the reading that a confectioner expects.
import { describe, expect, it } from '@jest/globals';
import { readSteps, stepOf, type ReadStep } from '../src/reading/index.js';

/**
 * A step in short: `cook` and `goes` a target in C (`!` a limit, `+` a minimum), `waits` minutes, `hands` minutes, `night`, `oven`, `boils`,
 * `done` with its words, `asks` with the number of questions; `|` parts one step from the next.
 */
function inShort(read: ReadStep): string {
  const { target, effect, rest, handsMinutes, doneWhen, equipment, caution } = stepOf(read);
  const to =
    target && `${Math.round(target.celsius)}${target.upToCelsius === null ? '' : `-${Math.round(target.upToCelsius)}`}`;
  const sign = target?.kind === 'limit' ? '!' : target?.kind === 'minimum' ? '+' : '';
  return [
    equipment.includes('oven') ? 'oven' : '',
    target && target.celsius === 100 && target.boils && effect.kind === 'none' ? 'boils' : '',
    effect.kind === 'cook'
      ? `cook ${to ?? ''}${sign}`
      : target && !(target.celsius === 100 && target.boils)
        ? `goes ${to ?? ''}${sign}`
        : '',
    rest
      ? read.restDays === 1 && rest.typicalMinutes === 480
        ? 'night'
        : `waits ${rest.typicalMinutes}${rest.safeMinutes > rest.typicalMinutes ? `-${rest.safeMinutes}` : ''}`
      : '',
    handsMinutes > 0 ? `hands ${handsMinutes}` : '',
    caution ? 'limit' : '',
    doneWhen ? `done ${doneWhen}` : '',
    read.questions.length > 0 ? `asks ${read.questions.length}` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

const table: readonly (readonly [text: string, inShort: string])[] = [
  ['1. Cook to 300 F (149 C), stirring.', 'cook 149'],
  ['Cook the syrup to 118 °C.', 'cook 118'],
  ['Cook the syrup to 118C / 244F', 'cook 118'],
  ['Boil to 244 degrees F without stirring.', 'cook 118'],
  ['Boil to 121 degrees C.', 'cook 121'],
  ['Boil the sugar to 240 degrees.', 'cook 116'],
  ['Cook to 116 degrees.', 'cook 116'],
  ['Boil to 150 until amber.', 'cook 150, done amber'],
  ['Heat to 150 degrees.', 'asks 1'],
  ['Cool to 90 degrees.', 'asks 1'],
  ['Melt the chocolate to 45 degrees.', 'goes 45'],
  ['Melt the chocolate to 115 degrees.', 'goes 46'],
  ['Cook until a thermometer reads 236 to 238 °F.', 'cook 113-114'],
  ['Cook until the thermometer registers 250°F, 10 to 12 minutes.', 'cook 121, hands 11'],
  ['Cook, without a lid, until it reaches 146 C (295 F).', 'cook 146'],
  ['Keep cooking to 160 C, until deep amber.', 'cook 160, done deep amber'],
  ['Boil the syrup to 118 °C (300 °F).', 'asks 1'],
  ['Caramelise the sugar to 180 °C.', 'cook 180'],
  ['Caramelise to 180 °C, carefully add the cream and boil again to 116 °C.', 'cook 180 | cook 116'],
  ['Melt to 45 C, cool to 27 C and rewarm to 31-32 C.', 'goes 45 | goes 27 | goes 31-32'],
  [
    'Melt the white chocolate at 40 to 45 °C, then cool it to 26 °C, then warm it to 28–29 °C.',
    'goes 40-45 | goes 26 | goes 28-29',
  ],
  ['Warm the honey to between 40 and 45 C.', 'goes 40-45'],
  ['Do not let it go above 50 C.', 'goes 50!'],
  ['Hold at 31 C; never exceed 33 C.', 'goes 31, limit'],
  ['Cool to below 40 C before you add the butter.', 'goes 40!'],
  ['Cook to at least 149 C.', 'cook 149+'],
  ['Heat the cream to 80C.', 'goes 80'],
  ['Cool the caramel to 110 F.', 'goes 43'],
  ['Freeze at -18 C for 30 min.', 'goes -18, waits 30'],
  ['Cool for 20 minutes at 18 C.', 'goes 18, waits 20'],
  ['Crystallise at 16 to 18 C for 12 hours.', 'goes 16-18, asks 1'],
  ['Leave to crystallise at 16 to 18 C for 12 hours.', 'goes 16-18, waits 720'],
  ['Bake in the oven at 175 C for 20 minutes.', 'oven, waits 20'],
  ['Preheat the oven to 350°F and line a tin with parchment.', 'oven'],
  ['Bake at 160 C for 25-30 minutes until golden at the edges.', 'oven, waits 25-30, done golden at the edges'],
  ['Roast the nuts at 160 C for 12 minutes.', 'oven, waits 12'],
  ['Toast the almonds in a 170 °C oven until fragrant, about 10 minutes.', 'oven, waits 10, done fragrant'],
  ['Preheat the oven to 180 C. Meanwhile cook the sugar to 149 C.', 'oven, cook 149'],
  ['Bring to the boil.', 'boils'],
  ['Bring the cream to a boil and pour it over the chocolate.', 'boils'],
  ['Bring to a rolling boil, stirring, and boil for 5 minutes.', 'boils, hands 5'],
  ['Bring to a boil over medium-high heat, then boil to 121C without stirring, about 8 min.', 'cook 121, hands 8'],
  ['Boil for 5 minutes. Take off the heat and cool to 110 F.', 'boils, hands 5 | goes 43'],
  ['Simmer gently for 20 minutes until reduced by half.', 'boils, hands 20, done reduced by half'],
  ['Heat the milk but do not boil.', ''],
  ['Warm the cream to just below the boil.', ''],
  ['Melt the chocolate over a pan of simmering water.', ''],
  ['Melt the butter in a double boiler.', ''],
  ['Take care that it does not boil over; boil gently for 3 minutes.', 'boils, hands 3'],
  ['Leave overnight.', 'night'],
  ['Cover and leave to set overnight.', 'night'],
  ['Refrigerate overnight, at least 8 hours.', 'night'],
  ['Let rest until the next day.', 'night'],
  ['Set at room temperature for at least 4 hours or overnight.', 'waits 240-720'],
  ['Chill for one to two hours, until firm.', 'waits 60-120, done firm'],
  ['Let it stand for half an hour.', 'waits 30'],
  ['Let stand an hour and a half.', 'waits 90'],
  ['Leave for a quarter of an hour.', 'waits 15'],
  ['Rest for three quarters of an hour.', 'waits 45'],
  ['Leave for 1 h 30.', 'waits 90'],
  ['Leave for 1 hour 30 minutes.', 'waits 90'],
  ['Leave for 1½ hours.', 'waits 90'],
  ['Leave for 1.5 hours.', 'waits 90'],
  ['Leave for 30 minutes to 1 hour.', 'waits 30-60'],
  ['Chill 2-3 hrs.', 'waits 120-180'],
  ['Chill 2 – 3 h.', 'waits 120-180'],
  ['Wait 20 minutes.', 'waits 20'],
  ['Let cool ten minutes.', 'waits 10'],
  ['Soak the gelatine in cold water for five minutes.', 'waits 5'],
  ['Infuse the tea in the hot cream for 4 minutes, then strain.', 'waits 4'],
  ['Steep for twenty-five minutes.', 'waits 25'],
  ['Set for 24 hours.', 'waits 1440'],
  ['Refrigerate for 2 days.', 'waits 2880'],
  ['Mature for a week before eating.', 'waits 10080'],
  ['Leave to set for up to 2 hours.', 'waits 120'],
  ['Cook over medium heat, stirring constantly, for 10-12 minutes.', 'hands 11'],
  ['Stir for two to three minutes.', 'hands 3'],
  ['Whisk for an hour and a half.', 'hands 90'],
  ['Beat 8 to 10 min, until it loses its gloss.', 'hands 9, done it loses its gloss'],
  ['Beat until it loses its gloss, 8 to 10 min.', 'hands 9, done it loses its gloss'],
  ['Knead for a minute.', 'hands 1'],
  ['Stir for two minutes, then let cool for ten minutes.', 'waits 10, hands 2'],
  ['Pour into the pan, leave for 10 minutes, then score into squares.', 'waits 10'],
  ['Cool, without stirring, to 110 °F, about 1 hour.', 'goes 43, waits 60'],
  ['For 3 hours.', 'asks 1'],
  ['Cook to the soft-ball stage.', 'done soft ball stage, asks 1'],
  ['Boil to hard crack stage.', 'boils, done hard crack stage, asks 1'],
  ['Cook the sugar dry to a deep amber, then stir in the cream.', 'done deep amber'],
  ['Cook until golden brown.', 'done golden brown'],
  ['Stir until smooth and glossy.', 'done smooth and glossy'],
  ['Cook until thick enough to coat the spoon.', 'done thick enough to coat the spoon'],
  ['Whisk until it holds soft peaks.', 'done it holds soft peaks'],
  ['Cook until it reaches 118 C and is pale gold.', 'cook 118, done is pale gold'],
  ['Boil until a drop in cold water forms a soft ball.', 'boils, done a drop in cold water forms a soft ball, asks 1'],
  ['Leave until set.', 'done set'],
  ['Stir until the sugar has dissolved, then bring to the boil.', 'boils, done the sugar has dissolved'],
  ['Dip the centres, 45 seconds each.', ''],
  ['Cut into 2.5 cm squares and wrap in 10 cm papers.', ''],
  ['Combine 400 g sugar and 120 ml water in a 3-litre pot.', ''],
  ['Butter an 8-inch pan.', ''],
  ['Stir in the vanilla and a few drops of oil.', ''],
  ['Keep in a tin for up to three weeks.', ''],
  ['Store airtight for 2 weeks at 18 C.', 'goes 18'],
  ['Use within 10 days.', ''],
  ['Add 2 c sugar and stir.', ''],
  ['Divide into 3 parts.', ''],
  ['Step 3: Cut.', ''],
  ['Step 4 - Bring to the boil.', 'boils'],
  ['2) Leave for 15 mins', 'waits 15'],
  ['• Chill for 45 min', 'waits 45'],
  ['Heat the sugar to 121 C, and when it reaches 115 C start whisking the whites.', 'cook 121 | cook 115'],
  ['Pour the syrup at 121 C onto the whites.', 'goes 121'],
  ['Whip for 6 minutes on high until cool.', 'hands 6, done cool'],
  ['Roll the centres and let them dry at 20-22 °C overnight.', 'goes 20-22, night'],
  ['Refrigerate 1 hr; roll; refrigerate 30 min.', 'waits 90'],
  ['Cook over low heat for a few minutes.', ''],
  ['Reduce over a high heat to 200 g.', ''],
  [
    'Bake for 10 minutes, pour over the caramel at 116 C and bake for 15 more minutes at 150 C.',
    'oven, goes 116, waits 25',
  ],
  ['Cook to 248–250 °F (120–121 °C).', 'cook 120-121'],
  ['Bring to 85°C, hold for 2 min, then cool to 35°C.', 'goes 85, hands 2 | goes 35'],
  ['Heat cream to 90 °C - do not boil - and pour.', 'goes 90'],
];

describe('steps as people write them', () => {
  it('has a table of at least 120 steps', () => {
    expect(table.length).toBeGreaterThanOrEqual(120);
  });

  it.each(table)('%s', (text, expected) => {
    expect(readSteps(text).map(inShort).join(' | ')).toBe(expected);
  });
});
