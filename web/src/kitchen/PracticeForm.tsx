import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { potFaults, type Cookable, type PotChoice, type PotFault } from '@usual-pantry/core/practice';
import { sayMass, sayNumber } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { SeasonBook } from '../data/useSeason';
import { readNumber } from '../parts/readNumber';
import { BigButton } from './BigButton';
import { PracticePage } from './looks';
import { BigNumberField } from './BigNumberField';
import { allowSound } from './ring';

/** What is practised on, and how many times as fast as in life. */
export interface PracticeChoice extends PotChoice {
  readonly speed: number;
}

/** What a burner gives a pot, W. Guesses. */
const burners = [
  { name: 'low', watts: 600 },
  { name: 'medium', watts: 1000 },
  { name: 'high', watts: 1600 },
] as const;

interface PracticeFormProps {
  readonly kind: 'cook' | 'pull now';
  readonly cookables: readonly Cookable[];
  readonly season: SeasonBook;
  readonly onBegin: (cookable: Cookable, choice: PracticeChoice) => void;
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly onChoose: (value: string) => void;
  readonly choices: readonly { readonly value: string; readonly says: string }[];
}

/** One of a few. */
const Choice = ({ label, value, onChoose, choices }: ChoiceProps) => (
  <TextField
    select
    label={label}
    size="medium"
    value={value}
    onChange={({ target }) => {
      onChoose(target.value);
    }}
  >
    {choices.map((each) => (
      <MenuItem key={each.value} value={each.value}>
        {each.says}
      </MenuItem>
    ))}
  </TextField>
);

interface FaultsProps {
  readonly faults: readonly PotFault[];
  readonly onFaults: (faults: readonly PotFault[]) => void;
  readonly isSurprise: boolean;
  readonly onSurprise: (isSurprise: boolean) => void;
}

/** What goes wrong, as it is chosen, or as a surprise. */
const Faults = ({ faults, onFaults, isSurprise, onSurprise }: FaultsProps) => (
  <Paper
    component="fieldset"
    variant="outlined"
    sx={{ p: 2, m: 0, display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(240px, 1fr))' }}
  >
    <Typography component="legend">What goes wrong</Typography>
    {potFaults.map((fault) => (
      <FormControlLabel
        key={fault}
        label={fault}
        control={
          <Checkbox
            checked={faults.includes(fault)}
            onChange={({ target }) => {
              onFaults(target.checked ? [...faults, fault] : faults.filter((each) => each !== fault));
            }}
          />
        }
        sx={{ minHeight: 48 }}
      />
    ))}
    <FormControlLabel
      label="surprise me"
      control={
        <Checkbox
          checked={isSurprise}
          onChange={({ target }) => {
            onSurprise(target.checked);
          }}
        />
      }
      sx={{ minHeight: 48 }}
    />
  </Paper>
);

/** Chooses the recipe, pot, burner, place and what goes wrong. */
export function PracticeForm({ kind, cookables, season, onBegin }: PracticeFormProps) {
  const { kitchen } = season.data;
  const pots = kitchen.pots.length > 0 ? kitchen.pots : [{ name: 'a pot', litres: 4 }];
  const largest = pots.reduce((best, pot) => (pot.litres > best.litres ? pot : best));
  const [recipeId, setRecipeId] = useState(cookables[0]?.facts.recipe.id ?? '');
  const [pot, setPot] = useState(largest.name);
  const [burner, setBurner] = useState<string>('medium');
  const [altitude, setAltitude] = useState(String(Math.round(kitchen.altitudeMetres)));
  const [humidity, setHumidity] = useState('45');
  const [faults, setFaults] = useState<readonly PotFault[]>([]);
  const [isSurprise, setIsSurprise] = useState(false);
  const [speed, setSpeed] = useState(kind === 'cook' ? 8 : 4);
  const [trouble, setTrouble] = useState<string | null>(null);
  const cookable = cookables.find(({ facts }) => facts.recipe.id === recipeId);
  const begin = () => {
    const altitudeMetres = readNumber(altitude);
    const room = readNumber(humidity);
    if (!cookable) setTrouble('Choose a recipe that is cooked to a temperature.');
    else if (!(altitudeMetres >= -450 && altitudeMetres <= 5500))
      setTrouble('The altitude must be from −450 to 5,500 m.');
    else if (!(room >= 0 && room <= 100)) setTrouble('The humidity must be from 0 to 100 %.');
    else {
      allowSound();
      onBegin(cookable, {
        potLitres: pots.find(({ name }) => name === pot)?.litres ?? 4,
        watts: burners.find(({ name }) => name === burner)?.watts ?? 1000,
        altitudeMetres,
        humidity: room,
        faults,
        isSurprise,
        speed,
      });
    }
  };
  return (
    <PracticePage>
      <Link component={RouterLink} to="/kitchen/practice">
        All practice
      </Link>
      <Typography variant="h1">
        {kind === 'cook' ? 'Cook a batch that costs nothing' : 'Take it off at its moment'}
      </Typography>
      <Paper
        variant="outlined"
        sx={{ p: 2, display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 240px), 1fr))' }}
      >
        <Choice
          label="Recipe"
          value={recipeId}
          onChoose={setRecipeId}
          choices={cookables.map(({ facts }) => ({
            value: facts.recipe.id,
            says: `${facts.recipe.name}, ${sayMass(facts.rawGrams)}`,
          }))}
        />
        <Choice
          label="Pot"
          value={pot}
          onChoose={setPot}
          choices={pots.map(({ name, litres }) => ({ value: name, says: `${name}, ${sayNumber(litres, 1)} L` }))}
        />
        <Choice
          label="Burner"
          value={burner}
          onChoose={setBurner}
          choices={burners.map(({ name }) => ({ value: name, says: name }))}
        />
        <BigNumberField label="Altitude" unit="m" value={altitude} onChange={setAltitude} />
        <BigNumberField label="Humidity of the room" unit="%" value={humidity} onChange={setHumidity} />
        <Box>
          <Typography id="speed">{`${String(speed)} times as fast as in life`}</Typography>
          <Slider
            aria-labelledby="speed"
            min={1}
            max={20}
            value={speed}
            onChange={(_event, value) => {
              if (typeof value === 'number') setSpeed(value);
            }}
          />
        </Box>
      </Paper>
      <Faults faults={faults} onFaults={setFaults} isSurprise={isSurprise} onSurprise={setIsSurprise} />
      {trouble && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {trouble}
        </Typography>
      )}
      <BigButton variant="contained" onClick={begin}>
        On the heat
      </BigButton>
    </PracticePage>
  );
}
