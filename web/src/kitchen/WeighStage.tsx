import { mdiCheck } from '@mdi/js';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { WeighLine } from '@usual-pantry/core/making';
import { sayExact, sayGrams, sayNumber, sayShortDay } from '@usual-pantry/core/quantity';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { BigButton } from './BigButton';
import { BigNumberField } from './BigNumberField';
import { sideBySide, stack } from './looks';
import { LotPicker } from './LotPicker';
import { SomethingElse } from './SomethingElse';
import type { Bench } from './useBench';
import { useBenchKeys } from './useBenchKeys';
import { useWeighing } from './useWeighing';

/** What of a line is on the scale, large, and how much is still to go. */
function Reading({ line, net }: { line: WeighLine; net: number | null }) {
  const shown = net ?? 0;
  const toGo = line.wanted - shown;
  const share = line.wanted > 0 ? Math.min(1.15, Math.max(0, shown / line.wanted)) : 0;
  return (
    <Box role="status" aria-live="off">
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, flexWrap: 'wrap', fontFamily: FIGURES }}>
        <Box
          component="span"
          data-testid="on-scale"
          sx={{ fontSize: 'clamp(52px, 17vw, 104px)', fontWeight: 700, lineHeight: 1 }}
        >
          {sayNumber(shown, shown % 1 === 0 ? 0 : 1)}
        </Box>
        <Box component="span" sx={{ typography: 'title', fontFamily: FIGURES, fontWeight: 700 }}>
          g
        </Box>
        <Box
          component="span"
          sx={{ ml: 'auto', typography: 'title', fontFamily: FIGURES, fontWeight: 700, color: 'hot.main' }}
        >
          {toGo >= 0 ? `${sayExact(toGo)} to go` : `${sayExact(-toGo)} over`}
        </Box>
      </Box>
      <Box
        aria-hidden
        sx={{
          position: 'relative',
          height: 26,
          mt: 1,
          bgcolor: 'action.selected',
          borderRadius: 1,
          overflow: 'hidden',
        }}
      >
        <Box sx={{ height: 1, width: `${(share / 1.15) * 100}%`, bgcolor: toGo >= -0.5 ? 'hot.main' : 'error.main' }} />
        <Box
          sx={{ position: 'absolute', top: 0, bottom: 0, left: `${100 / 1.15}%`, width: 4, bgcolor: 'text.primary' }}
        />
      </Box>
    </Box>
  );
}

/** One line of the sheet: its tick, its name, what it should weigh or does. */
function Row({ line, isNow, onPick }: { line: WeighLine; isNow: boolean; onPick: () => void }) {
  const done = line.weighed !== null;
  return (
    <ButtonBase
      onClick={onPick}
      aria-current={isNow ? 'step' : undefined}
      sx={{
        width: '100%',
        minHeight: 64,
        px: 1.5,
        gap: 1.25,
        justifyContent: 'flex-start',
        textAlign: 'left',
        typography: 'large',
        borderTop: 1,
        borderColor: 'divider',
        color: done ? 'success.main' : 'text.primary',
        bgcolor: isNow ? 'action.selected' : undefined,
      }}
    >
      <Box sx={{ width: 24, flex: 'none' }}>{done && <Icon path={mdiCheck} titleAccess="weighed" />}</Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {line.name}
        {line.stage > 1 && !done && ', later'}
        {line.swap && (
          <Box component="span" sx={{ color: 'warning.main' }}>
            {' '}
            (something else)
          </Box>
        )}
      </Box>
      <Box sx={{ fontFamily: FIGURES, fontWeight: 650, whiteSpace: 'nowrap' }}>
        {line.weighed ? `${sayExact(line.weighed.grams)} of ${sayExact(line.wanted)}` : sayGrams(line.wanted)}
      </Box>
    </ButtonBase>
  );
}

/** Weighs a batch out, line by line, against the scale or by what is typed. */
export function WeighStage({ bench, onNext }: { bench: Bench; onNext: () => void }) {
  const { sheet, state, happen } = bench;
  const weighing = useWeighing(bench, onNext);
  const { toWeigh, line, ingredient, value, net, typed, setTyped, lot, trouble, asks, setAsks } = weighing;
  const { tare, weighed, scaleRest, pick, pickLot } = weighing;
  useBenchKeys({ ' ': weighed, t: tare });
  return (
    <Box sx={sideBySide}>
      <Box sx={stack}>
        <Typography variant="h1" sx={{ fontSize: { xs: '1.6rem', md: '2.1rem' } }}>
          {line ? `${line.name}: weigh ${sayGrams(line.wanted)}` : 'All is weighed'}
        </Typography>
        {line && (
          <Paper variant="outlined" sx={{ p: 2 }}>
            <Reading line={line} net={value !== null && value >= 0 ? value : net} />
            <Typography sx={{ typography: 'large', color: 'text.secondary', mt: 1 }}>
              {lot ? `from the lot to use by ${sayShortDay(lot)}` : 'from what is open'}
              {line.note && `; ${line.note}`}
            </Typography>
            <BigNumberField
              label="Or type what it weighs"
              unit="g"
              value={typed}
              onChange={setTyped}
              onEnter={weighed}
            />
          </Paper>
        )}
        {trouble && (
          <Typography role="alert" sx={{ typography: 'large', color: 'error.main', fontWeight: 650 }}>
            {trouble}
          </Typography>
        )}
        {asks === 'lot' && line && ingredient && <LotPicker ingredient={ingredient} onPick={pickLot} />}
        {asks === 'else' && line && (
          <SomethingElse
            bench={bench}
            line={line}
            onDone={() => {
              setAsks(null);
            }}
          />
        )}
      </Box>
      <Box sx={stack}>
        {line && (
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
            <BigButton onClick={tare}>Tare</BigButton>
            <BigButton onClick={scaleRest}>Scale the rest</BigButton>
            <BigButton
              disabled={!ingredient}
              onClick={() => {
                setAsks(asks === 'lot' ? null : 'lot');
              }}
            >
              Another lot
            </BigButton>
            <BigButton
              disabled={!ingredient}
              onClick={() => {
                setAsks(asks === 'else' ? null : 'else');
              }}
            >
              Used something else
            </BigButton>
          </Box>
        )}
        <Paper variant="outlined" sx={{ overflow: 'hidden' }} component="section" aria-label="Lines">
          {toWeigh.map((each) => (
            <Row
              key={each.line}
              line={each}
              isNow={each === line}
              onPick={() => {
                if (each.weighed) happen({ kind: 'not weighed', line: each.line });
                pick(each.line);
              }}
            />
          ))}
          <Box
            sx={{ px: 1.5, py: 1, borderTop: 1, borderColor: 'divider', typography: 'large', fontFamily: FIGURES }}
            data-testid="running-error"
          >
            {sheet.left === toWeigh.length
              ? 'Nothing weighed yet'
              : `So far ${sheet.running.grams >= 0 ? '+' : '−'}${sayNumber(Math.abs(sheet.running.grams), 1)} g, ${sheet.running.grams >= 0 ? '+' : '−'}${sayNumber(Math.abs(sheet.running.percent), 1)} %`}
            {state.factor !== 1 && `; all × ${sayNumber(state.factor, 2)}`}
          </Box>
        </Paper>
        {line && (
          <BigButton variant="text" onClick={onNext}>
            To the first step, the rest later
          </BigButton>
        )}
      </Box>
      <Box
        sx={{ gridColumn: '1 / -1', position: 'sticky', zIndex: 3, bottom: 0, py: 1, bgcolor: 'background.default' }}
      >
        <BigButton
          variant="contained"
          fullWidth
          onClick={weighed}
          sx={{ minHeight: 80, justifyContent: 'space-between', px: 3 }}
          endIcon={
            <Box component="kbd" sx={{ display: { xs: 'none', md: 'inline' }, typography: 'figures' }}>
              Space
            </Box>
          }
        >
          {!line ? 'All weighed: to the first step' : sheet.left > 1 ? 'Weighed: next line' : 'Weighed: that is all'}
        </BigButton>
      </Box>
    </Box>
  );
}
