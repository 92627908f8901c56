import { mdiDotsVertical, mdiPlus } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { sayGrams, units } from '@usual-pantry/core/quantity';
import { alcoholUses } from '@usual-pantry/core/cooking';
import { fromStart, type Recipe, type RecipeLine, type RecipeStep } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { ChoiceInput, NumberInput, TextInput } from '../parts/fields';
import type { SeasonBook } from '../data/useSeason';
import { unitChoices } from '../parts/unitChoices';
import { sayEntry } from './sayEntry';
import { useDraftRecipe } from './useDraftRecipe';
import { UsesInput, type Usable } from './UsesInput';

/** Which density applies, where the ingredient has several. */
function StateInput({ index, season }: { index: number; season: SeasonBook }) {
  const line = useWatch({ name: `lines.${index}` }) as RecipeLine;
  const states = season.book.ingredients.get(line.uses.id)?.densities ?? [];
  if (units[line.unit].measures !== 'volume' || states.length < 2) return null;
  return (
    <ChoiceInput
      name={`lines.${index}.state`}
      label="State"
      choices={states.map(({ state }) => ({ value: state, label: state }))}
    />
  );
}

/** A note; a line that does not go in at the start says below it when it does. */
function NoteInput({ index }: { index: number }) {
  const [afterCook, atStep] = useWatch({ name: [`lines.${index}.afterCook`, `lines.${index}.atStep`] }) as [
    boolean,
    number | null,
  ];
  const when = sayEntry({ afterCook, atStep });
  return <TextInput name={`lines.${index}.note`} label="Note" {...(when ? { help: when } : {})} />;
}

const alcoholChoices = [
  { value: '', label: 'as the recipe says' },
  ...alcoholUses.map((value) => ({ value, label: value })),
];

/** What is done with the alcohol of a line, where it has some. */
function AlcoholInput({ index, season }: { index: number; season: SeasonBook }) {
  const uses = useWatch({ name: `lines.${index}.uses` }) as RecipeLine['uses'];
  const { book } = season;
  const ethanol =
    uses.kind === 'ingredient'
      ? book.ingredients.get(uses.id)?.composition?.ethanol
      : book.recipes.get(uses.id)?.parts?.ethanol;
  if (!ethanol) return null;
  return (
    <Box sx={{ gridColumn: { xs: '1 / -1', lg: '2 / span 3' } }}>
      <ChoiceInput name={`lines.${index}.alcohol`} label="Its alcohol is" choices={alcoholChoices} empty={null} />
    </Box>
  );
}

/** When a line goes in: at the start, after the cooking, or at a step. */
function EntryItems({ index, onPick }: { index: number; onPick: () => void }) {
  const { setValue } = useFormContext();
  const [afterCook, atStep, steps] = useWatch({
    name: [`lines.${index}.afterCook`, `lines.${index}.atStep`, 'steps'],
  }) as [boolean, number | null, RecipeStep[]];
  const item = (label: string, picked: boolean, entry: Pick<RecipeLine, 'afterCook' | 'atStep'>) => (
    <MenuItem
      key={label}
      selected={picked}
      onClick={() => {
        setValue(`lines.${index}.afterCook`, entry.afterCook, { shouldDirty: true });
        setValue(`lines.${index}.atStep`, entry.atStep, { shouldDirty: true });
        onPick();
      }}
    >
      <Box component="span" sx={{ maxWidth: 320, overflow: 'hidden', textOverflow: 'ellipsis' }}>
        {label}
      </Box>
    </MenuItem>
  );
  return [
    item('Goes in at the start', atStep === null && !afterCook, { afterCook: false, atStep: null }),
    item('Goes in after cooking', atStep === null && afterCook, { afterCook: true, atStep: null }),
    ...steps.flatMap((step, at) =>
      at === 0
        ? []
        : [item(`At step ${String(at + 1)}: ${step.text}`, atStep === at, { afterCook: false, atStep: at })],
    ),
  ];
}

/** Moves or removes a line. */
function LineMenu({
  index,
  last,
  onMove,
  onRemove,
}: {
  index: number;
  last: boolean;
  onMove: (to: number) => void;
  onRemove: () => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const pick = (act: () => void) => () => {
    setAnchor(null);
    act();
  };
  return (
    <>
      <IconButton
        aria-label={`Line ${index + 1}`}
        aria-haspopup="menu"
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
      >
        <Icon path={mdiDotsVertical} />
      </IconButton>
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => {
          setAnchor(null);
        }}
      >
        <MenuItem
          disabled={index === 0}
          onClick={pick(() => {
            onMove(index - 1);
          })}
        >
          Move up
        </MenuItem>
        <MenuItem
          disabled={last}
          onClick={pick(() => {
            onMove(index + 1);
          })}
        >
          Move down
        </MenuItem>
        <EntryItems
          index={index}
          onPick={() => {
            setAnchor(null);
          }}
        />
        <MenuItem onClick={pick(onRemove)}>Remove</MenuItem>
      </Menu>
    </>
  );
}

/** The lines of a recipe, grams first and the written measure beside. */
export function RecipeLines({ season, recipe }: { season: SeasonBook; recipe: Recipe | null }) {
  const { fields, append, remove, swap } = useFieldArray({ name: 'lines' });
  const { facts } = useDraftRecipe(season, recipe);
  const { ingredients, recipes } = season.data;
  const usables: Usable[] = [
    ...ingredients.map(({ id, name }) => ({ kind: 'ingredient' as const, id, name })),
    ...recipes.filter((each) => each.id !== recipe?.id).map(({ id, name }) => ({ kind: 'recipe' as const, id, name })),
  ].sort((a, b) => a.kind.localeCompare(b.kind) || a.name.localeCompare(b.name));
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }}>
      {fields.map((field, index) => (
        <Box
          key={field.id}
          sx={{
            display: 'grid',
            gap: 1,
            alignItems: 'start',
            gridTemplateColumns: {
              xs: '1fr 1fr',
              lg: '62px minmax(0, 3fr) 78px 100px minmax(0, 1.5fr) 36px',
            },
            borderBottom: { xs: 1, lg: 0 },
            borderColor: 'divider',
            pb: { xs: 1, lg: 0 },
          }}
        >
          <Box
            sx={{
              fontFamily: FIGURES,
              fontWeight: 650,
              pt: 1,
              textAlign: { lg: 'right' },
              order: { xs: 1, lg: 0 },
            }}
          >
            {facts?.lineGrams[index] ? sayGrams(facts.lineGrams[index]) : '–'}
          </Box>
          <Box sx={{ gridColumn: { xs: '1 / -1', lg: 'auto' } }}>
            <UsesInput index={index} usables={usables} />
          </Box>
          <NumberInput name={`lines.${index}.amount`} label="Amount" />
          <ChoiceInput name={`lines.${index}.unit`} label="Unit" choices={unitChoices} />
          <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fit, minmax(110px, 1fr))' }}>
            <StateInput index={index} season={season} />
            <NoteInput index={index} />
          </Box>
          <Box sx={{ order: { xs: 2, lg: 0 } }}>
            <LineMenu
              index={index}
              last={index === fields.length - 1}
              onMove={(to) => {
                swap(index, to);
              }}
              onRemove={() => {
                remove(index);
              }}
            />
          </Box>
          <AlcoholInput index={index} season={season} />
        </Box>
      ))}
      <div>
        <Button
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onClick={() => {
            append({
              uses: { kind: 'ingredient', id: '' },
              amount: NaN,
              unit: 'g',
              state: null,
              note: '',
              ...fromStart,
            });
          }}
        >
          Add a line
        </Button>
      </div>
    </Box>
  );
}
