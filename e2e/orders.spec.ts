import { expect, test } from './support/kitchen';

test('an order is taken from one line, and the decision that it raises is decided', async ({ page }) => {
  await page.goto('/orders');
  const line = page.getByLabel('An order in one line');
  const ticket = page.getByTestId('ticket');
  await line.fill('Wren Oxley: 2 sampler + 1 large box, pick-up 5/12 at the porch, no sesame');
  await expect(ticket).toContainText('Wren Oxley · 2 × Pinwheel sampler · pick-up at porch · no sesame');
  await expect(page.getByRole('button', { name: 'Take it' })).toBeDisabled();
  await ticket.getByRole('button', { name: 'Longest Night box' }).click();
  await ticket.getByRole('button', { name: 'Saturday 5 December' }).click();
  await expect(ticket).toContainText(
    'Wren Oxley · 2 × Pinwheel sampler, 1 × Longest Night box · Saturday 5 December · pick-up at porch · no sesame',
  );
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('Wren Oxley’s order taken.')).toBeVisible();

  // Both boxes hold sesame toffee and no stand-in for it: two decisions, each with its ways out
  await expect(page.getByText('Wren Oxley wants no sesame, but Pinwheel sampler contains sesame')).toBeVisible();
  await expect(page.getByText('Wren Oxley wants no sesame, but Longest Night box contains sesame')).toBeVisible();
  const decision = page.getByRole('listitem').filter({ hasText: 'Wren Oxley wants no sesame, but Longest Night box' });
  await decision.getByRole('button', { name: 'The customer knows and agrees' }).click();
  await expect(page.getByText('Wren Oxley’s order changed.')).toBeVisible();
  await expect(decision).toBeHidden();
  const other = page.getByRole('listitem').filter({ hasText: 'Wren Oxley wants no sesame, but Pinwheel sampler' });
  await other.getByRole('button', { name: 'Change to Box without nuts' }).click();
  await expect(other).toBeHidden();
});

test('an exclusion is never lost: it is read wherever it stands, asked about, and decided before the order is taken', async ({
  page,
}) => {
  await page.goto('/orders');
  const line = page.getByLabel('An order in one line');
  const ticket = page.getByTestId('ticket');
  const entry = page.getByRole('form', { name: 'Quick entry' });
  const take = page.getByRole('button', { name: 'Take it' });

  // What is not understood stays to be seen, and nothing is taken before it is placed
  await line.fill('Jo Vale: 2 table boxes and a sampler no peanuts, pickup Dec 19th, ribbon in blue');
  await expect(ticket).toContainText('“ribbon in blue” is not understood.');
  await expect(ticket).toContainText('“no peanuts”: for which boxes does it hold?');
  await expect(take).toBeDisabled();
  await ticket.getByRole('button', { name: 'Keep it as a note' }).click();
  await ticket.getByRole('button', { name: 'The whole order' }).click();
  await expect(ticket).toContainText(
    '2 × Table box, 1 × Pinwheel sampler · Saturday 19 December · pick-up · no peanuts',
  );
  await expect(ticket).toContainText('Note: ribbon in blue');

  // The promise is never green above what a box breaks; a clear piece of the same box is proposed before anything is stored
  const promise = entry.getByTestId('promise');
  await expect(promise).toContainText('it is not to be promised as it is');
  await expect(promise).toContainText('Table box contains peanuts (Peanut crisp bar)');
  await entry.getByRole('button', { name: /^Put .* in place of Peanut crisp bar$/ }).click();
  await expect(promise).not.toContainText('not to be promised as it is');
  await take.click();
  await expect(page.getByText('Jo Vale’s order taken.')).toBeVisible();
  await expect(page.getByText('As it was asked for:')).toContainText('no peanuts, pickup Dec 19th');
  await expect(page.getByText(/^2 × .* in place of Peanut crisp bar$/)).toBeVisible();
  await expect(page.getByText(/Jo Vale wants no peanuts, but/)).toBeHidden();

  // The slip and the hand-over list say what was changed
  await page.getByRole('link', { name: 'Slip' }).click();
  await expect(page.getByText(/^Changed for you: 2 × .* in place of Peanut crisp bar\.$/)).toBeVisible();
  await page.goto('/orders/hand-overs');
  await expect(page.getByText(/^2 × .* in place of Peanut crisp bar$/)).toBeVisible();
});

test('a messy CSV is looked at, taken, mended and brought again', async ({ page }) => {
  const messy = [
    'Order no;Customer;Box;Qty;Date;How;Allergies',
    'M1;"Oxley; Wren";Table box;2;20/12/2026;porch;no peanut',
    'M2;Ivo Stane;Moon box;1;20/12/2026;stall;',
    'M3;Ada Quill;Pinwheel sampler;many;20/12/2026;stall;',
    'M4;Tam Reed;Pinwheel sampler;1;31/02/2026;stall;',
    'M5;=1+1;Longest Night box;1;20/12/2026;courier;alcohol',
  ].join('\n');
  const file = (text: string) => ({ name: 'orders.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.goto('/orders');
  await page.getByRole('link', { name: 'From a CSV' }).click();
  await page.getByLabel('CSV file of orders').setInputFiles(file(messy));
  await expect(page.getByTestId('answer')).toHaveText('5 rows: 2 new orders, 0 changed to take, 3 refused.');
  await expect(page.getByText('there is no one box “Moon box”')).toBeVisible();
  await expect(page.getByText('“many” is no number of boxes')).toBeVisible();
  await expect(page.getByText('“31/02/2026” is no day')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the refused rows' }).click();
  const stream = await (await download).createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  const refused = Buffer.concat(chunks).toString();
  expect(refused.split('\r\n')).toHaveLength(4);
  await page.getByRole('button', { name: 'Take 2 orders' }).click();
  await expect(page.getByTestId('answer')).toContainText('2 new orders, 0 changed and taken');

  // The refused rows come back mended; what is there already stays as it is
  const mended = refused.replace('Moon box', 'Table box').replace('many', '3').replace('31/02/2026', '21/12/2026');
  await page.getByLabel('CSV file of orders').setInputFiles(file(mended));
  await expect(page.getByTestId('answer')).toHaveText('3 rows: 3 new orders, 0 changed to take.');
  await page.getByRole('button', { name: 'Take 3 orders' }).click();
  await expect(page.getByTestId('answer')).toContainText('and taken');
  await page.getByLabel('CSV file of orders').setInputFiles(file(messy));
  await expect(page.getByTestId('answer')).toHaveText('5 rows: 0 new orders, 0 changed to take, 3 refused.');
  await page
    .getByRole('navigation', { name: 'Screens' })
    .getByRole('link', { name: /^Orders/ })
    .click();
  await page.getByLabel('Search customers').fill('Tam Reed');
  await expect(page.getByRole('row').filter({ hasText: 'Tam Reed' })).toContainText('1 × Pinwheel sampler');
});

test('a stand-in takes the place of what an order rules out, down to the label', async ({ page }) => {
  await page.goto('/boxes/longest-night');
  await page.getByRole('button', { name: 'Cell 5: Sesame-cardamom toffee' }).click();
  await page.getByLabel(/^Stand-ins for Sesame-cardamom toffee/).fill('Ginger');
  await page.getByRole('option', { name: 'Ginger and cocoa-nib bark' }).click();
  await page.getByRole('button', { name: 'Cell 8: Sesame-cardamom toffee' }).click();
  await page.getByLabel(/^Stand-ins for Sesame-cardamom toffee/).fill('Ginger');
  await page.getByRole('option', { name: 'Ginger and cocoa-nib bark' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Longest Night box saved.')).toBeVisible();

  await page.goto('/orders');
  await page.getByLabel('An order in one line').fill('Wren Oxley: 1 longest night box, courier 19 Dec, no sesame');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('2 × Ginger and cocoa-nib bark in place of Sesame-cardamom toffee')).toBeVisible();
  await expect(page.getByText('Wren Oxley wants no sesame, but')).toBeHidden();
  await page
    .getByRole('navigation', { name: 'Screens' })
    .getByRole('link', { name: /^Labels/ })
    .click();
  await page.getByRole('link', { name: /^Longest Night box, no sesame/ }).click();
  const label = page.getByRole('img', { name: /Longest Night box/ });
  await expect(label).toBeVisible();
  await expect(label).toHaveAccessibleName(/Contains: Milk, Tree Nuts \(Hazelnuts, Pecans\), Wheat, Soy\./);
  await expect(label).not.toHaveAccessibleName(/sesame seed/i);
});

test('a box of sixteen cells is filled by keys and by dragging, and told what does not lie well together', async ({
  page,
}) => {
  await page.goto('/boxes/new');
  await page.getByLabel('Name', { exact: true }).fill('Sixteen');
  await page.getByLabel('Rows').fill('4');
  await page.getByLabel('Columns').fill('4');
  const tray = page.getByRole('grid', { name: 'Tray' });
  await tray.getByRole('button', { name: 'Cell 1: empty' }).focus();
  for (let cell = 0; cell < 15; cell++) await page.keyboard.press('1');
  await expect(page.getByTestId('answer')).toContainText('15 pieces');
  const piece = page.getByRole('button', { name: /Smoked-salt pumpkin-seed toffee/ }).first();
  const target = tray.getByRole('button', { name: 'Cell 16: empty' });
  await piece.hover();
  await page.mouse.down();
  const place = await target.boundingBox();
  if (!place) throw new Error('the cell is not to be seen');
  await page.mouse.move(place.x + place.width / 2, place.y + place.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByTestId('answer')).toContainText('16 pieces');
  await expect(tray.getByRole('button', { name: 'Cell 16: Smoked-salt pumpkin-seed toffee' })).toBeVisible();
  await expect(
    page.getByText('The smoke of the smoked-salt pumpkin-seed toffee wanders into the other pieces'),
  ).toBeVisible();
  await expect(page.getByText(/draws damp from the .* and goes soft: part them with a barrier/)).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Sixteen added.')).toBeVisible();
});

test('a box is made over for somebody who must not have something', async ({ page }) => {
  await page.goto('/boxes/longest-night');
  const panel = page.getByRole('region', { name: 'The same box without something' });
  await panel.getByLabel('Without').fill('alcohol');
  await page.getByRole('option', { name: 'alcohol', exact: true }).click();
  await expect(panel).toContainText('2 × Black tea truffle for Plum brandy truffle');
  await panel.getByRole('button', { name: 'Make that box' }).click();
  await expect(page.getByText('Longest Night box, no alcohol made.')).toBeVisible();
  await expect(page.getByRole('grid', { name: 'Tray' })).not.toContainText('Plum brandy');
});

test('a promise is answered while the date is typed, with the earliest day that is free', async ({ page }) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Wren Oxley');
  await page.getByLabel('Day', { exact: true }).fill('2026-11-26');
  const promise = page.getByTestId('promise');
  await expect(promise).toContainText('It cannot be promised for Thursday 26 November.');
  await expect(promise).toContainText('no bench day is left for');
  await page.getByLabel('Day', { exact: true }).fill('2026-12-19');
  await expect(promise).toContainText('It can be promised for Saturday 19 December');
  // Three hundred boxes are more than any bench day of that week has room for
  await page.getByLabel('How many').fill('300');
  await expect(promise).toContainText('It cannot be promised for Saturday 19 December.');
  await expect(promise).toContainText('over its');
});

test('the hand-over list says by day and way who gets what, and what is still to be paid', async ({ page }) => {
  await page.goto('/orders');
  await page.getByLabel('An order in one line').fill('Wren Oxley: 2 longest night box, courier 19 Dec, no alcohol');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('Wren Oxley’s order taken.')).toBeVisible();
  await page.goto('/orders/hand-overs');
  const day = page.getByRole('region', { name: 'Saturday 19 December' });
  const line = day.getByRole('region', { name: 'courier' }).getByRole('listitem').filter({ hasText: 'Wren Oxley' });
  await expect(line).toContainText('2 × Longest Night box, no alcohol');
  // Two boxes at 26 dollars, nothing paid yet
  await expect(line).toContainText('$52.00 due');
});

test('a customer’s last order is taken over for a new one', async ({ page }) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer', { exact: true }).fill('Tamsin Okonjo-Vale');
  await page.getByRole('button', { name: 'As last time: 1 × Box without nuts' }).click();
  await expect(page.getByLabel('Box', { exact: true })).toHaveValue('Box without nuts');
  await expect(page.getByRole('button', { name: 'tree nuts' })).toBeVisible();
});

test('a CSV whose column may say what somebody must not eat is not taken before that is said', async ({ page }) => {
  const text = `Customer,Box,Qty,Date,Info,Ribbon
Lark Penny,Table box,1,2026-12-14,no nuts,red`;
  await page.goto('/orders/import');
  await page
    .getByLabel('CSV file of orders')
    .setInputFiles({ name: 'orders.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByRole('alert')).toContainText('may say what somebody must not eat: 1 cell, such as “no nuts”');
  await expect(page.getByText('Not used: Ribbon (“red”).')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take 0 orders' })).toBeDisabled();
  await page.getByRole('button', { name: 'Read it as exclusions' }).click();
  await page.getByRole('button', { name: 'Take 1 order' }).click();
  await expect(page.getByText('1 new order')).toBeVisible();
  await page.goto('/orders?q=Lark');
  await page.getByRole('gridcell', { name: 'Lark Penny' }).first().click();
  await expect(page.getByRole('main')).toContainText(/nuts/i);
});

test('a hand-over and its money are noted in one press, and an order handed over unpaid still owes', async ({
  page,
}) => {
  await page.goto('/orders/hand-overs');
  const town = page.getByRole('listitem').filter({ hasText: 'town hall' });
  await town.getByRole('button', { name: 'Handed over, paid $60.00' }).click();
  await expect(town).toHaveCount(0);
  const unpaid = page.getByRole('listitem').filter({ hasText: 'Tamsin Okonjo-Vale' });
  await expect(unpaid).toContainText('no tree nuts');
  await unpaid.getByRole('button', { name: 'Not paid yet' }).click();
  await expect(unpaid).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(unpaid).toContainText('$20.00 due');
});
