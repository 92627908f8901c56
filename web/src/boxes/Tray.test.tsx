import { afterEach, describe, expect, it } from '@jest/globals';
import { DndContext } from '@dnd-kit/core';
import { boxDraftSchema, type BoxDraft } from '@usual-pantry/core/box';
import { openBook } from '@usual-pantry/core/book';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import { pieceSchema } from '@usual-pantry/core/piece';
import { recipeSchema } from '@usual-pantry/core/recipe';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { FormProvider, useForm, useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';
import { Tray } from './Tray';

const piece = (id: string) =>
  pieceSchema.parse({
    id,
    version: 1,
    name: id,
    form: { kind: 'rolled', recipeId: 'fudge', centreGrams: 12 },
    handSeconds: 5,
    travel: 'travels',
    colour: '#8a5630',
  });
const data = {
  kitchen: { ...kitchenDraftSchema.parse({ makerName: 'M', handsRateMinorPerHour: 0 }), version: 1 },
  ingredients: [],
  recipes: [
    recipeSchema.parse({
      id: 'fudge',
      version: 1,
      name: 'Fudge',
      lines: [],
      yield: { by: 'loss', lossPercent: 0 },
      batchSizes: [1],
      handsMinutes: 1,
      keepsDays: 9,
      restDays: 0,
    }),
  ],
  pieces: [piece('one'), piece('two')],
  boxes: [],
  batches: [],
  today: '2026-11-25',
};
const season: SeasonBook = { data, book: openBook(data) };

const empty = boxDraftSchema.parse({
  name: 'Box',
  foodName: 'Sweets',
  rows: 2,
  columns: 2,
  cells: [null, null, null, null],
  packMinutes: 1,
  priceMinor: 100,
});

function Composer() {
  const [cell, setCell] = useState(0);
  const { setValue } = useFormContext<BoxDraft>();
  const cells = useWatch<BoxDraft, 'cells'>({ name: 'cells' });
  return (
    <>
      <Tray
        season={season}
        cell={cell}
        onChoose={setCell}
        onPlace={(pieceId) => {
          setValue(`cells.${cell}`, pieceId === null ? null : { pieceId, count: 1, standIns: [] });
        }}
      />
      <output data-testid="filled">
        {cells.map((each) => (each ? `${String(each.count)} ${each.pieceId}` : '-')).join(', ')}
      </output>
    </>
  );
}

function Page() {
  return (
    <FormProvider {...useForm<BoxDraft>({ defaultValues: empty })}>
      <DndContext>
        <Composer />
      </DndContext>
    </FormProvider>
  );
}

afterEach(cleanup);

describe('the keys of a tray', () => {
  const filled = () => screen.getByTestId('filled').textContent;
  const chosen = () => document.activeElement?.getAttribute('aria-label');

  it('move with arrows, and stay where there is no cell', async () => {
    const user = userEvent.setup();
    render(<Page />);
    await user.click(screen.getByRole('button', { name: 'Cell 1: empty' }));
    await user.keyboard('{ArrowRight}');
    expect(chosen()).toBe('Cell 2: empty');
    await user.keyboard('{ArrowDown}');
    expect(chosen()).toBe('Cell 4: empty');
    await user.keyboard('{ArrowDown}{ArrowRight}');
    expect(chosen()).toBe('Cell 4: empty');
  });

  it('place the shelf’s pieces by digit and go on, count with + and -, and clear with x', async () => {
    const user = userEvent.setup();
    render(<Page />);
    await user.click(screen.getByRole('button', { name: 'Cell 1: empty' }));
    await user.keyboard('12');
    expect(filled()).toBe('1 one, 1 two, -, -');
    expect(chosen()).toBe('Cell 3: empty');
    await user.keyboard('{ArrowUp}++-');
    expect(filled()).toBe('2 one, 1 two, -, -');
    await user.keyboard('---');
    expect(filled()).toBe('1 one, 1 two, -, -');
    await user.keyboard('x');
    expect(filled()).toBe('-, 1 two, -, -');
  });

  it('leave keys of the browser alone', async () => {
    const user = userEvent.setup();
    render(<Page />);
    await user.click(screen.getByRole('button', { name: 'Cell 1: empty' }));
    await user.keyboard('{Control>}1{/Control}9');
    expect(filled()).toBe('-, -, -, -');
  });
});
