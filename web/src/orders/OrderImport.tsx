import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import {
  besideUses,
  orderFields,
  type BesideUse,
  type ColumnMapping,
  type OrderFileAnswer,
  type OrderFileRequest,
  type RowReport,
} from '@usual-pantry/core/format';
import type { DayOrder } from '@usual-pantry/core/intake';
import { sayCount } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { nonce } from '../parts/nonce';
import { gridLook } from './gridLook';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Panel } from '../parts/Panel';
import { sayRefusal, type Refusal } from '../parts/refusal';
import { saveAs } from '../parts/saveAs';
import { useAttempt } from '../parts/useAttempt';
import { keepMapping, keptMapping } from './mappings';
import { useCheckOrderFileMutation, useLazyLastSeasonQuery, useTakeOrderFileMutation } from '../data/orders';
import { apiAt } from '../parts/kitchenAt';

/** The text of a file, in UTF-8 or UTF-16 where its bytes say so, otherwise in the Western code page of old spreadsheets. */
async function textOf(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

const columns: GridColDef<RowReport>[] = [
  { field: 'row', headerName: 'Row', width: 70 },
  { field: 'fate', headerName: 'Is', width: 100 },
  { field: 'customer', headerName: 'Customer', width: 170 },
  { field: 'what', headerName: 'Boxes', flex: 1, minWidth: 160 },
  { field: 'why', headerName: 'Why', flex: 1.4, minWidth: 200 },
];

const countOf = (report: readonly RowReport[], fate: RowReport['fate']) =>
  report.filter((each) => each.fate === fate).length;

function Answer({ answer, taken }: { answer: OrderFileAnswer | null; taken: boolean }) {
  if (!answer) return <AnswerLine>Bring orders from a CSV file: looked at first, taken after.</AnswerLine>;
  const refused = countOf(answer.report, 'refused');
  const { create, update } = answer.orders;
  const open = answer.unused.filter(({ mayRuleOut, use }) => mayRuleOut && use === null).length;
  if (open > 0)
    return (
      <AnswerLine>
        {sayCount(answer.report.length, 'row')}. First say what <Mark tone="stop">{sayCount(open, 'column')}</Mark> may
        rule out.
      </AnswerLine>
    );
  return (
    <AnswerLine>
      {sayCount(answer.report.length, 'row')}: {sayCount(create, 'new order')}, {update} changed{' '}
      {taken ? 'and taken' : 'to take'}
      {refused > 0 && (
        <>
          , <Mark tone="stop">{refused} refused</Mark>
        </>
      )}
      .
    </AnswerLine>
  );
}

interface MappingProps {
  readonly answer: OrderFileAnswer;
  readonly mapping: ColumnMapping;
  readonly dayOrder: DayOrder;
  readonly onChange: (mapping: ColumnMapping, dayOrder: DayOrder) => void;
}

/** Which column holds what; remembered for files with the same columns. */
const Mapping = ({ answer, mapping, dayOrder, onChange }: MappingProps) => (
  <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))' }}>
    {orderFields.map((field) => (
      <TextField
        key={field}
        select
        label={field}
        value={mapping[field] ?? ''}
        onChange={({ target }) => {
          const { [field]: _before, ...rest } = mapping;
          onChange(target.value === '' ? rest : { ...rest, [field]: target.value }, dayOrder);
        }}
      >
        <MenuItem value="">no column</MenuItem>
        {answer.columns.map((column) => (
          <MenuItem key={column} value={column}>
            {column}
          </MenuItem>
        ))}
      </TextField>
    ))}
    <TextField
      select
      label="5/12 is"
      value={dayOrder}
      onChange={({ target }) => {
        onChange(mapping, target.value as DayOrder);
      }}
    >
      <MenuItem value="unknown">not said</MenuItem>
      <MenuItem value="day first">5 December</MenuItem>
      <MenuItem value="month first">May 12</MenuItem>
    </TextField>
  </Box>
);

interface UnusedProps {
  readonly answer: OrderFileAnswer;
  readonly onUse: (column: string, use: BesideUse) => void;
}

/** The columns that are not used, each named; one that may say what somebody must not eat is asked about. */
function Unused({ answer: { unused }, onUse }: UnusedProps) {
  const asked = unused.filter(({ mayRuleOut }) => mayRuleOut);
  const others = unused.filter(({ mayRuleOut }) => !mayRuleOut);
  if (unused.length === 0) return null;
  return (
    <Box sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
      {asked.map(({ column, sample, filled, use }) => (
        <Alert key={column} severity={use === null ? 'error' : 'info'}>
          The column “{column}” is not used, and may say what somebody must not eat: {sayCount(filled, 'cell')}, such as
          “{sample}”.{use === null && ' Nothing is taken before you say what it is.'}
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
            {besideUses.map((each) => (
              <Button
                key={each}
                size="small"
                color="inherit"
                variant={use === each ? 'contained' : 'outlined'}
                aria-pressed={use === each}
                onClick={() => {
                  onUse(column, each);
                }}
              >
                {each === 'exclusions' ? 'Read it as exclusions' : 'Nothing of that kind'}
              </Button>
            ))}
          </Box>
        </Alert>
      ))}
      {others.length > 0 && (
        <Box sx={{ typography: 'fine', color: 'text.secondary' }}>
          Not used: {others.map(({ column, sample }) => `${column} (“${sample}”)`).join(', ')}.
        </Box>
      )}
    </Box>
  );
}

/** Last season's orders as a draft of this one: looked at like any file, before they are taken. */
function LastSeason({ onText }: { onText: (text: string) => void }) {
  const [ask, { isFetching }] = useLazyLastSeasonQuery();
  const [words, setWords] = useState<string | null>(null);
  const bring = async () => {
    const { data, error } = await ask();
    if (data) onText(data);
    setWords(error ? sayRefusal(error as Refusal) : data ? null : 'No order was handed over in the last 52 weeks.');
  };
  return (
    <>
      <Button variant="outlined" disabled={isFetching} onClick={() => void bring()}>
        Last season’s orders, to be asked again
      </Button>
      {words !== null && <span role="status">{words}</span>}
    </>
  );
}

/** Orders from a CSV: a dry run with a report of every row, then one transaction; refused rows come back to mend. */
export function OrderImport() {
  const [check, { isLoading: checking }] = useCheckOrderFileMutation();
  const [take, { isLoading: taking }] = useTakeOrderFileMutation();
  const [request, setRequest] = useState<OrderFileRequest | null>(null);
  const [answer, setAnswer] = useState<OrderFileAnswer | null>(null);
  const [taken, setTaken] = useState(false);
  const { trouble, attempt } = useAttempt();

  const look = async (next: OrderFileRequest) => {
    setRequest(next);
    setTaken(false);
    await attempt(async () => {
      const first = await check(next).unwrap();
      const kept = next.mapping ? null : keptMapping(first.columns);
      if (kept) {
        await look({ ...next, ...kept });
        return;
      }
      setRequest({ ...next, mapping: first.mapping });
      setAnswer(first);
    });
  };
  const bring = async () => {
    if (!request || !answer) return;
    await attempt(async () => {
      setAnswer(await take(request).unwrap());
      setTaken(true);
      keepMapping(answer.columns, { mapping: request.mapping ?? {}, dayOrder: request.dayOrder });
    });
  };
  const changes = answer ? answer.orders.create + answer.orders.update : 0;
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box sx={{ mb: -2 }}>
        <Answer answer={answer} taken={taken} />
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button component="label" variant={answer ? 'outlined' : 'contained'}>
          Choose a CSV file
          <input
            hidden
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            aria-label="CSV file of orders"
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void textOf(file).then((text) => look({ text, dayOrder: 'unknown' }));
              target.value = '';
            }}
          />
        </Button>
        <Button variant="contained" disabled={changes === 0 || taken || taking} onClick={() => void bring()}>
          Take {sayCount(changes, 'order')}
        </Button>
        {answer && answer.refused !== '' && (
          <Button
            onClick={() => {
              saveAs('orders-to-mend.csv', answer.refused, 'text/csv');
            }}
          >
            Save the refused rows
          </Button>
        )}
        <LastSeason onText={(text) => void look({ text, dayOrder: 'unknown' })} />
        <Button href={apiAt('/order-file')} download>
          Save all orders as CSV
        </Button>
      </Box>
      {(checking || taking) && <LinearProgress aria-label="Reading the file" />}
      {trouble && <Alert severity="error">{trouble}</Alert>}
      {answer && request && (
        <>
          <Panel title="Columns">
            <Mapping
              answer={answer}
              mapping={request.mapping ?? answer.mapping}
              dayOrder={request.dayOrder}
              onChange={(mapping, dayOrder) => void look({ ...request, mapping, dayOrder })}
            />
            <Unused
              answer={answer}
              onUse={(column, use) => void look({ ...request, beside: { ...request.beside, [column]: use } })}
            />
          </Panel>
          <DataGrid
            label="Rows of the file"
            nonce={nonce}
            rows={answer.report}
            getRowId={({ row }) => row}
            columns={columns}
            getRowHeight={() => 'auto'}
            sx={gridLook}
            pageSizeOptions={[25, 100]}
            initialState={{ pagination: { paginationModel: { pageSize: 25 } } }}
            disableRowSelectionOnClick
            disableColumnMenu
          />
        </>
      )}
    </Box>
  );
}
