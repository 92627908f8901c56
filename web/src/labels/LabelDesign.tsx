import { mdiArrowDown, mdiArrowUp } from '@mdi/js';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { blockKinds, firstKinds, schoolNames, type BlockKind, type LabelSettings } from '@usual-pantry/core/kitchen';
import { contrastOnWhite, NOT_ESTIMATED } from '@usual-pantry/core/label';
import { sayList, sayNumber } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Icon } from '../parts/Icon';
import { Folded } from '../parts/Panel';
import { pictureAsPng } from './logo';
import { LengthField } from './LengthField';
import { SettledField } from './SettledField';
import { sideNames } from './sides';
import { useLabelSettings, type LabelChange } from './useLabelSettings';

const blockNames: Record<BlockKind, string> = {
  name: 'Name of the box',
  food: 'Name of the food',
  ingredients: 'Ingredients',
  piece: 'Piece by piece',
  contains: 'Contains',
  also: 'Also contains',
  may: 'May contain',
  warning: 'Warnings',
  nutrition: 'Nutrition',
  dates: 'Dates',
  storage: 'How to keep it',
  lot: 'Lot',
  maker: 'Maker',
  permit: 'Permit',
  statement: 'Home-kitchen statement',
  net: 'Net quantity',
};
const declaredNames = { merged: 'one list', 'by piece': 'piece by piece', both: 'both' } as const;
const LEAST_CONTRAST = 4.5;

type Change = (change: LabelChange, label: string) => Promise<boolean>;
interface Props {
  readonly settings: LabelSettings;
  readonly change: Change;
}

function Choices({ settings, change }: Props) {
  const choose = <K extends 'school' | 'declared' | 'nameFace' | 'code' | 'second'>(
    key: K,
    label: string,
    choices: Readonly<Record<LabelSettings[K], string>>,
  ) => (
    <TextField
      select
      size="small"
      label={label}
      value={settings[key]}
      onChange={(event) => {
        const value = event.target.value as LabelSettings[K];
        void change({ [key]: value }, `${label}: ${choices[value]}`);
      }}
    >
      {(Object.keys(choices) as LabelSettings[K][]).map((value) => (
        <MenuItem key={value} value={value}>
          {choices[value]}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <>
      {choose('school', 'Rules of', schoolNames)}
      {choose('declared', 'Declared as', declaredNames)}
      {choose('second', 'A second label', {
        none: 'none',
        back: 'for the back',
        base: 'for the base, the first for the lid',
      })}
      {choose('nameFace', 'Face of the name', { heading: 'display', bold: 'text, bold' })}
      {choose('code', 'Code for the lot', { none: 'none', qr: 'squares (QR)', bars: 'bars (Code 128)' })}
    </>
  );
}

function Measures({ settings, change }: Props) {
  const length = (key: 'widthMm' | 'heightMm' | 'bleedMm', label: string) => (
    <LengthField label={label} mm={settings[key]} onSettle={(mm) => change({ [key]: mm }, label)} />
  );
  return (
    <>
      {length('widthMm', 'Width')}
      {length('heightMm', 'Height')}
      {length('bleedMm', 'Bleed of single labels')}
    </>
  );
}

/** All paragraphs as they follow each other; the net quantity always stands lowest. */
const orderOf = ({ order }: LabelSettings): BlockKind[] =>
  [...order, ...blockKinds.filter((kind) => !order.includes(kind))].filter((kind) => kind !== 'net');

/** Which paragraph stands before which. */
function Order({ settings, change }: Props) {
  const order = orderOf(settings);
  const move = (kind: BlockKind, by: -1 | 1) => {
    const moved = (now: LabelSettings) => {
      const next = orderOf(now).filter((each) => each !== kind);
      next.splice(orderOf(now).indexOf(kind) + by, 0, kind);
      return { order: next };
    };
    void change(moved, `${blockNames[kind]} moved`);
  };
  const { second, secondKinds } = settings;
  const sideOf = (kind: BlockKind): string => sideNames[second][secondKinds.includes(kind) ? 1 : 0];
  const turn = (kind: BlockKind) => {
    const isThere = secondKinds.includes(kind);
    const turned = (now: LabelSettings) => ({
      secondKinds: isThere ? now.secondKinds.filter((each) => each !== kind) : [...new Set([...now.secondKinds, kind])],
    });
    void change(turned, `${blockNames[kind]} on the ${sideNames[second][isThere ? 0 : 1]}`);
  };
  return (
    <Box component="ol" aria-label="Order of the paragraphs" sx={{ m: 0, pl: 3, columns: { sm: 2 }, columnGap: 4 }}>
      {order.map((kind, index) => (
        <Box component="li" key={kind} sx={{ breakInside: 'avoid' }}>
          <Box sx={{ display: 'flex', alignItems: 'center' }}>
            <Box sx={{ flex: 1 }}>{blockNames[kind]}</Box>
            {second !== 'none' && !firstKinds.includes(kind) && (
              <Button
                size="small"
                aria-label={`${blockNames[kind]} stands on the ${sideOf(kind)}`}
                onClick={() => {
                  turn(kind);
                }}
              >
                {sideOf(kind)}
              </Button>
            )}
            <IconButton
              size="small"
              aria-label={`${blockNames[kind]} up`}
              disabled={index === 0}
              onClick={() => {
                move(kind, -1);
              }}
            >
              <Icon path={mdiArrowUp} />
            </IconButton>
            <IconButton
              size="small"
              aria-label={`${blockNames[kind]} down`}
              disabled={index === order.length - 1}
              onClick={() => {
                move(kind, 1);
              }}
            >
              <Icon path={mdiArrowDown} />
            </IconButton>
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** The maker's picture: read, written anew, kept with the settings. */
function Logo({ settings, change }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    try {
      setTrouble(null);
      await change({ logo: await pictureAsPng(file) }, 'Picture on the label');
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
      {settings.logo && <img src={settings.logo} alt="Your picture" style={{ height: 40, background: '#fff' }} />}
      <Button component="label" variant="outlined" size="small">
        {settings.logo ? 'Another picture' : 'Add a picture'}
        <input
          type="file"
          accept="image/*"
          aria-label="Picture on the label"
          style={{ position: 'absolute', width: 1, height: 1, opacity: 0 }}
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </Button>
      {settings.logo && (
        <Button size="small" onClick={() => void change({ logo: null }, 'Picture taken off')}>
          Take it off
        </Button>
      )}
      {trouble && <Alert severity="error">{trouble}</Alert>}
    </Box>
  );
}

/** How the kitchen's labels look and what they say beside: every change shows at once on the label beside it, and can be undone. */
export function LabelDesign({ isOpen }: { isOpen: boolean }) {
  const { settings, change, trouble } = useLabelSettings();
  if (!settings) return null;
  const contrast = contrastOnWhite(settings.accent);
  const text = (key: 'storage' | 'permit' | 'statementFrench', label: string) => (
    <SettledField
      label={label}
      value={settings[key]}
      onSettle={(typed) => change({ [key]: typed }, label)}
      sx={{ gridColumn: '1 / -1' }}
    />
  );
  const toggle = (key: 'twoPercentGroup' | 'nutrition', label: string) => (
    <FormControlLabel
      sx={{ gridColumn: '1 / -1' }}
      control={
        <Switch
          checked={settings[key]}
          onChange={(_event, checked) => void change({ [key]: checked }, `${label}: ${checked ? 'yes' : 'no'}`)}
        />
      }
      label={label}
    />
  );
  const props = { settings, change };
  return (
    <Folded title="Design" isOpen={isOpen}>
      {trouble && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {trouble}
        </Alert>
      )}
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, pt: 0.5 }}>
        <Choices {...props} />
        <Measures {...props} />
        {text('storage', 'How to keep it')}
        {text('permit', 'Permit or registration')}
        {settings.school === 'canada' && text('statementFrench', 'Home-kitchen statement in French')}
        {toggle('twoPercentGroup', 'Ingredients of 2 % or less together, where that is allowed')}
        {toggle('nutrition', 'An estimate of the nutrition')}
        {settings.nutrition && (
          <Alert severity="info" sx={{ gridColumn: '1 / -1' }}>
            An estimate from composition, not an analysis. A label that says it may have to say more, in a set form:{' '}
            {sayList(NOT_ESTIMATED)}. It must be right within the law’s tolerance: ask a laboratory.
          </Alert>
        )}
        <SettledField
          label="Colour of the name"
          type="color"
          value={settings.accent}
          onSettle={(typed) => change({ accent: typed }, 'Colour of the name')}
        />
        <Box
          role="status"
          sx={{ alignSelf: 'center', color: contrast < LEAST_CONTRAST ? 'error.main' : 'text.secondary' }}
        >
          Contrast on white {sayNumber(contrast, 1)} to 1
          {contrast < LEAST_CONTRAST ? ': too pale to be read, 4.5 is the least' : ''}
        </Box>
        <Box sx={{ gridColumn: '1 / -1' }}>
          <Logo {...props} />
        </Box>
        <Box sx={{ gridColumn: '1 / -1' }}>
          <Order {...props} />
        </Box>
      </Box>
    </Folded>
  );
}
