import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import { DataGrid, type DataGridProps, type GridColDef, type GridRowId } from '@mui/x-data-grid';
import type { NamedThings } from '@usual-pantry/core/ingredient';
import type { Order, OrderState } from '@usual-pantry/core/order';
import { sayShortDay } from '@usual-pantry/core/quantity';
import { memo, useMemo } from 'react';
import { nonce } from '../parts/nonce';
import { gridLook } from './gridLook';
import { FIGURES } from '../parts/theme';
import { useNames } from '../data/useSeason';
import { TickBox } from './TickBox';
import { sayExclusion } from '../parts/packedWords';
import { useBookQuery } from '../data/book';
import { useFindingsQuery } from '../data/plan';

const tones: Record<OrderState, 'text-primary' | 'success-main' | 'primary-main' | 'warning-main'> = {
  asked: 'warning-main',
  confirmed: 'primary-main',
  packed: 'success-main',
  'handed over': 'text-primary',
  cancelled: 'text-primary',
};

/** A span of its own style: a page of rows has one in each. */
const State = ({ state }: { state: OrderState }) => (
  <span
    style={{
      color: `var(--mui-palette-${tones[state]})`,
      border: '1px solid',
      borderRadius: 12,
      padding: '1px 8px',
      fontSize: 13.5,
      whiteSpace: 'nowrap',
    }}
  >
    {state}
  </span>
);

type Columns = GridColDef<Order>[];

const sayBoxes = (order: Order, names: ReadonlyMap<string, string>): string =>
  order.lines.map((line) => `${String(line.count)} × ${names.get(line.boxId) ?? line.boxId}`).join(', ');

/** What the order or one of its boxes rules out. */
const sayRuledOut = (order: Order, names: NamedThings): string =>
  [...new Set([...order.exclusions, ...order.lines.flatMap(({ without }) => without)])]
    .map((code) => sayExclusion(code, names))
    .join(', ');

function columnsOf(
  compact: boolean,
  boxNames: ReadonlyMap<string, string>,
  names: NamedThings,
  toDecide: ReadonlySet<string>,
): Columns {
  const first: Columns = [
    {
      field: 'handOverOn',
      headerName: 'Hand over',
      width: 128,
      valueGetter: (_value, order) => order.handOver.on,
      renderCell: ({ row }) => (
        <span style={{ fontFamily: FIGURES, whiteSpace: 'nowrap' }}>{sayShortDay(row.handOver.on)}</span>
      ),
    },
    {
      field: 'customerName',
      headerName: 'Customer',
      flex: 1.3,
      minWidth: 150,
      valueGetter: (_value, order) => order.customer.name,
      renderCell: ({ row }) => (
        <span>
          {row.customer.name}
          {toDecide.has(row.id) && (
            <Chip
              size="small"
              label="to decide"
              sx={{ ml: 1, bgcolor: 'warning.light', color: '#1B2430', height: 20 }}
            />
          )}
          {compact && (
            <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
              {[sayBoxes(row, boxNames), row.handOver.way, row.state, sayRuledOut(row, names)]
                .filter(Boolean)
                .join(' · ')}
            </Box>
          )}
        </span>
      ),
    },
  ];
  if (compact) return first;
  return [
    ...first,
    {
      field: 'way',
      headerName: 'Way',
      width: 84,
      sortable: false,
      valueGetter: (_value, order) => order.handOver.way,
    },
    {
      field: 'lines',
      headerName: 'Boxes',
      flex: 1.6,
      minWidth: 190,
      sortable: false,
      valueGetter: (_value, order) => sayBoxes(order, boxNames),
    },
    {
      field: 'exclusions',
      headerName: 'Exclusions',
      flex: 1,
      minWidth: 110,
      sortable: false,
      valueGetter: (_value, order) => sayRuledOut(order, names),
    },
    {
      field: 'state',
      headerName: 'State',
      width: 116,
      renderCell: ({ row }) => <State state={row.state} />,
    },
  ];
}

const ABOUT = ['order'] as const;
const MOST_FINDINGS = 500;

/** Columns that are made anew only when what they show has changed: a new array makes the grid work everything out again. */
function useColumns(compact: boolean, ids: string): Columns {
  const { data: book } = useBookQuery();
  const { data: found } = useFindingsQuery({ size: MOST_FINDINGS, about: ABOUT, ids: ids || 'none' });
  const names = useNames();
  const boxes = book?.boxes;
  const toDecide = (found?.items ?? [])
    .filter(({ severity }) => severity !== 'know')
    .map(({ about }) => about.id)
    .join(' ');
  return useMemo(
    () => columnsOf(compact, new Map(boxes?.map((box) => [box.id, box.name])), names, new Set(toDecide.split(' '))),
    [compact, boxes, names, toDecide],
  );
}

const look = { ...gridLook, '& .MuiDataGrid-cell': { ...gridLook['& .MuiDataGrid-cell'], cursor: 'pointer' } };
const slots = { baseCheckbox: TickBox };
const heightOfText = () => 'auto' as const;
type GridProps = Pick<
  DataGridProps<Order>,
  'rows' | 'rowCount' | 'loading' | 'paginationModel' | 'onPaginationModelChange' | 'sortModel' | 'onSortModelChange'
> & {
  readonly compact: boolean;
  readonly openId: string | undefined;
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (ids: ReadonlySet<string>) => void;
  readonly onOpen: (id: string) => void;
  readonly noRows: string;
};

/** The table itself. It is drawn again only when its rows, columns or choice change. */
export const OrderGrid = memo(function OrderGrid({
  compact,
  openId,
  chosen,
  onChoose,
  onOpen,
  noRows,
  ...props
}: GridProps) {
  const columns = useColumns(compact, props.rows?.map(({ id }) => id).join() ?? '');
  const marked = useMemo(
    () => ({ type: 'include' as const, ids: new Set<GridRowId>(compact ? (openId ? [openId] : []) : chosen) }),
    [compact, openId, chosen],
  );
  const texts = useMemo(() => ({ noRowsLabel: noRows }), [noRows]);
  const pageSize = props.paginationModel?.pageSize ?? 25;
  const sizes = useMemo(() => [pageSize], [pageSize]);
  return (
    <DataGrid
      {...props}
      columns={columns}
      paginationMode="server"
      sortingMode="server"
      pageSizeOptions={sizes}
      hideFooter={(props.rowCount ?? 0) <= pageSize}
      disableColumnMenu
      checkboxSelection={!compact}
      disableRowSelectionOnClick
      disableRowSelectionExcludeModel
      rowSelectionModel={marked}
      onRowSelectionModelChange={({ ids }) => {
        if (!compact) onChoose(new Set([...ids].map(String)));
      }}
      onRowClick={({ id }) => {
        onOpen(String(id));
      }}
      onCellKeyDown={({ id }, event) => {
        if (event.key === 'Enter') onOpen(String(id));
      }}
      slots={slots}
      getRowHeight={heightOfText}
      label="Orders"
      nonce={nonce}
      localeText={texts}
      sx={look}
    />
  );
});
