import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { Ingredient, Pack } from '@usual-pantry/core/ingredient';
import { sayCount, sayMoney } from '@usual-pantry/core/quantity';
import { readPrice, readReceipt, type PriceHabit } from '@usual-pantry/core/reading';
import { memo, useDeferredValue, useEffect, useMemo, useState, type KeyboardEvent } from 'react';
import { useGivePricesMutation } from '../data/pantry';
import type { SeasonBook } from '../data/useSeason';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { FootBar } from '../parts/FootBar';
import { Panel } from '../parts/Panel';
import type { Refusal } from '../parts/refusal';
import { dropDraft, keepDraft, takeDraft } from '../records/drafts';
import { ingredientOf, ReceiptLines, type Chosen } from './ReceiptLines';
import { Understood } from './Understood';

const DRAFT = 'prices';

/** What was typed, by ingredient, and what was pasted. */
interface Typed {
  readonly texts: Readonly<Record<string, string>>;
  readonly receipt: string;
  readonly chosen: Chosen;
}

const NOTHING: Typed = { texts: {}, receipt: '', chosen: {} };

/** Enter and the arrows go from price to price. */
function walk(event: KeyboardEvent<HTMLElement>): void {
  const step = { Enter: 1, ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (step === undefined || event.ctrlKey || event.metaKey) return;
  const fields = [...event.currentTarget.querySelectorAll('input')];
  fields[fields.indexOf(event.target as HTMLInputElement) + step]?.focus();
  event.preventDefault();
}

interface RowProps {
  readonly ingredient: Ingredient;
  readonly text: string;
  readonly prices: PriceHabit;
  readonly onType: (id: string, text: string) => void;
}

const PriceRow = memo(function PriceRow({ ingredient, text, prices, onType }: RowProps) {
  const { id, name, packs } = ingredient;
  const example = sayMoney(packs[0]?.priceMinor ?? 349, prices.currency);
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        columnGap: 2,
        rowGap: 0.5,
        gridTemplateColumns: { xs: '1fr', md: '230px 260px 1fr' },
        alignItems: 'center',
        py: 0.75,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <span>
        <strong>{name}</strong>
        <Box sx={{ typography: 'note', color: 'text.secondary' }}>
          {packs.map((pack) => `${pack.name} ${sayMoney(pack.priceMinor, prices.currency)}`).join(', ') ||
            'no price yet'}
        </Box>
      </span>
      <TextField
        value={text}
        onChange={({ target }) => {
          onType(id, target.value);
        }}
        placeholder={packs.length === 1 ? `as ${example}` : `${example} for 2 lb`}
        slotProps={{ htmlInput: { 'aria-label': `Price of ${name}`, autoComplete: 'off' } }}
      />
      <Box role="status">
        {text.trim() !== '' && (
          <Understood read={readPrice(text, prices, packs)} ingredient={ingredient} currency={prices.currency} />
        )}
      </Box>
    </Box>
  );
});

/** Everything that was understood, by ingredient. */
function packsOf(
  { texts, chosen }: Typed,
  lines: ReturnType<typeof readReceipt>,
  ingredients: readonly Ingredient[],
  prices: PriceHabit,
): Map<Ingredient, Pack[]> {
  const byId = new Map(ingredients.map((each) => [each.id, each]));
  const found = new Map<Ingredient, Pack[]>();
  const put = (ingredient: Ingredient, read: ReturnType<typeof readPrice>) => {
    if (read.kind === 'pack') found.set(ingredient, [...(found.get(ingredient) ?? []), read.pack]);
  };
  for (const line of lines) {
    const its = line.kind === 'bought' ? ingredientOf(line, chosen, byId) : null;
    if (its) put(its, line.price(its.packs));
  }
  for (const [id, text] of Object.entries(texts)) {
    const its = byId.get(id);
    if (its && text.trim() !== '') put(its, readPrice(text, prices, its.packs));
  }
  return found;
}

/** What was typed, kept through a reload. */
function useTyped() {
  const [typed, setTyped] = useState<Typed>(() => (takeDraft(DRAFT)?.values as Typed | undefined) ?? NOTHING);
  useEffect(() => {
    if (typed === NOTHING) dropDraft(DRAFT);
    else keepDraft(DRAFT, { version: 0, values: typed });
  }, [typed]);
  return [typed, setTyped] as const;
}

/** The price of everything in one grid, typed as people write it, or read off a receipt. */
export function PriceGrid({ season }: { season: SeasonBook }) {
  const { ingredients, kitchen } = season.data;
  const [typed, setTyped] = useTyped();
  const [give, { isLoading }] = useGivePricesMutation();
  const [trouble, setTrouble] = useState<string | null>(null);
  const prices = useMemo(
    (): PriceHabit => ({ currency: kitchen.currency, habit: kitchen.measures }),
    [kitchen.currency, kitchen.measures],
  );
  const receipt = useDeferredValue(typed.receipt);
  const lines = useMemo(
    () =>
      readReceipt(
        receipt,
        prices,
        ingredients.map((each) => ({ ...each, kind: 'ingredient' as const })),
      ),
    [receipt, prices, ingredients],
  );
  const lacking = new Set(
    season.book.findings.flatMap(({ code, about }) => (code === 'ingredient-unpriced' ? [about.id] : [])),
  );
  const byName = [...ingredients].sort((a, b) => a.name.localeCompare(b.name));
  const found = packsOf(typed, lines, ingredients, prices);
  const onType = useMemo(
    () => (id: string, text: string) => {
      setTyped((before) => ({ ...before, texts: { ...before.texts, [id]: text } }));
    },
    [setTyped],
  );
  const save = async () => {
    setTrouble(null);
    try {
      await give({
        prices: [...found].map(([{ id, version }, packs]) => ({ id, version, packs })),
        label: `${sayCount(found.size, 'price')} given.`,
      }).unwrap();
      // What was not understood stays.
      const saved = new Set([...found.keys()].map(({ id }) => id));
      const left = Object.entries(typed.texts).filter(([id, text]) => text.trim() !== '' && !saved.has(id));
      setTyped(left.length === 0 ? NOTHING : { ...NOTHING, texts: Object.fromEntries(left) });
    } catch (error) {
      setTrouble((error as Refusal).message);
    }
  };
  const rows = (wanted: readonly Ingredient[]) => (
    <Box component="ul" onKeyDown={walk} sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {wanted.map((each) => (
        <PriceRow key={each.id} ingredient={each} text={typed.texts[each.id] ?? ''} prices={prices} onType={onType} />
      ))}
    </Box>
  );
  const others = byName.filter(({ id }) => !lacking.has(id));
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <AnswerLine>
        {lacking.size > 0 ? (
          <Mark tone="stop">{sayCount(lacking.size, 'ingredient')} without a price.</Mark>
        ) : (
          <Mark tone="done">Everything in use has a price.</Mark>
        )}
      </AnswerLine>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      {lacking.size > 0 && <Panel title="Without a price">{rows(byName.filter(({ id }) => lacking.has(id)))}</Panel>}
      <Panel title="From a receipt or a list">
        <TextField
          multiline
          minRows={2}
          maxRows={10}
          label="Paste it here"
          placeholder={'Unsalted butter 2 lb 7.49\nGranulated sugar 10 lb 6.99'}
          value={typed.receipt}
          onChange={({ target }) => {
            setTyped((before) => ({ ...before, receipt: target.value }));
          }}
          sx={{ mb: lines.length > 0 ? 1.5 : 0 }}
        />
        <ReceiptLines
          lines={lines}
          ingredients={byName}
          chosen={typed.chosen}
          onChoose={(source, id) => {
            setTyped((before) => ({ ...before, chosen: { ...before.chosen, [source]: id } }));
          }}
          currency={kitchen.currency}
        />
      </Panel>
      {others.length > 0 && <Panel title={lacking.size > 0 ? 'All others' : 'Every price'}>{rows(others)}</Panel>}
      <FootBar>
        <Button variant="contained" disabled={found.size === 0 || isLoading} onClick={() => void save()}>
          Save {found.size === 0 ? 'prices' : sayCount(found.size, 'price')}
        </Button>
      </FootBar>
    </Box>
  );
}
