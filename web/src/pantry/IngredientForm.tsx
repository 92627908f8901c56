import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import {
  allergenCodes,
  allergens,
  chocolateKinds,
  ingredientTraits,
  ingredientDraftSchema,
  type Allergen,
  type Ingredient,
  type IngredientDraft,
} from '@usual-pantry/core/ingredient';
import { lazy, Suspense } from 'react';
import { Link as RouterLink } from 'react-router';
import { ChoiceInput, ManyInput, NumberInput, TextInput } from '../parts/fields';
import { FieldFindings } from '../findings/FieldFindings';
import { Panel } from '../parts/Panel';
import { RecordFrame } from '../records/RecordFrame';
import { useRemoval } from '../records/useRemoval';
import { useRecordForm } from '../records/useRecordForm';
import type { SeasonBook } from '../data/useSeason';
import { CompositionFields } from './CompositionFields';
import { DensityLines, LotLines, PackLines, PartLines, SubstituteLines } from './IngredientLines';

const Prices = lazy(async () => ({ default: (await import('./Prices')).Prices }));

const freshIngredient: IngredientDraft = {
  name: '',
  packs: [],
  densities: [],
  pieceGrams: null,
  composition: null,
  declaration: { labelName: '', french: '', parts: [] },
  contains: [],
  mayContain: [],
  onHandGrams: 0,
  lots: [],
  keepsDays: null,
  chocolate: null,
  traits: [],
  substitutes: [],
  prices: [],
  notes: '',
};

const nameOf = (code: string) => allergens[code as Allergen].name;

function UsedBy({ season, ingredient }: { season: SeasonBook; ingredient: Ingredient }) {
  const users = season.data.recipes.filter((recipe) =>
    recipe.lines.some(({ uses }) => uses.kind === 'ingredient' && uses.id === ingredient.id),
  );
  if (users.length === 0) return <span>No recipe uses it.</span>;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 0.5 }}>
      {users.map((recipe) => (
        <Link key={recipe.id} component={RouterLink} to={`/recipes/${recipe.id}`}>
          {recipe.name}
        </Link>
      ))}
    </Box>
  );
}

/** An ingredient as a form. */
export function IngredientForm({ season, ingredient }: { season: SeasonBook; ingredient: Ingredient | null }) {
  const record = useRecordForm({
    noun: 'ingredient',
    schema: ingredientDraftSchema,
    record: ingredient,
    fresh: freshIngredient,
    addressOf: ({ id }) => `/pantry/${id}`,
  });
  return (
    <RecordFrame
      title={ingredient ? ingredient.name : 'New ingredient'}
      record={record}
      back="/pantry"
      onDelete={useRemoval('ingredient', ingredient, '/pantry')}
    >
      <FieldFindings
        findings={season.book.findings.filter(
          ({ about }) => ingredient !== null && about.noun === 'ingredient' && about.id === ingredient.id,
        )}
      >
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr' } }}>
          <TextInput name="name" label="Name" autoFocus={ingredient === null} />
          <NumberInput name="onHandGrams" label="On hand" unit="g" />
        </Box>
        <Panel title="Shelf life">
          <Box
            sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '220px 1fr' }, alignItems: 'start' }}
          >
            <NumberInput
              name="keepsDays"
              label="Keeps once bought"
              unit="days"
              optional
              help="Empty for what keeps all season."
            />
            <LotLines />
          </Box>
        </Panel>
        <Panel title="Packs and prices">
          <PackLines currency={season.data.kitchen.currency} measures={season.data.kitchen.measures} />
        </Panel>
        <Panel title="Weight of a cup, or of one">
          <DensityLines />
          <NumberInput name="pieceGrams" label="Weight of one" unit="g" optional sx={{ maxWidth: 200, mt: 1.5 }} />
        </Panel>
        <Panel title="Label">
          <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
            <TextInput name="declaration.labelName" label="What the label calls it" />
            <TextInput name="declaration.french" label="The same in French, for Canada" />
          </Box>
          <PartLines />
        </Panel>
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
          <ManyInput name="contains" label="Contains" options={allergenCodes} nameOf={nameOf} />
          <ManyInput
            name="mayContain"
            label="May contain"
            help="What the supplier says of traces."
            options={allergenCodes}
            nameOf={nameOf}
          />
        </Box>
        <Panel title="Composition">
          <CompositionFields />
        </Panel>
        <Panel title="Substitutes and cautions">
          <SubstituteLines season={season} self={ingredient?.id} />
          <Box sx={{ display: 'grid', gap: 1.5, mt: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
            <ManyInput
              name="traits"
              label="Calls for a caution as"
              options={ingredientTraits}
              nameOf={(trait) => trait}
            />
            <ChoiceInput
              name="chocolate"
              label="Is a chocolate"
              choices={[{ value: '', label: 'no' }, ...chocolateKinds.map((kind) => ({ value: kind, label: kind }))]}
              empty={null}
            />
          </Box>
        </Panel>
        <TextInput name="notes" label="Notes" multiline />
        {ingredient && ingredient.prices.length > 0 && (
          <Panel title="Prices over time">
            <Suspense fallback={null}>
              <Prices prices={ingredient.prices} currency={season.data.kitchen.currency} />
            </Suspense>
          </Panel>
        )}
        {ingredient && (
          <Panel title="Used by">
            <UsedBy season={season} ingredient={ingredient} />
          </Panel>
        )}
      </FieldFindings>
    </RecordFrame>
  );
}
