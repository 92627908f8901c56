import { mdiMagnify } from '@mdi/js';
import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { DataGrid, type GridColDef, type GridSortModel } from '@mui/x-data-grid';
import type { Order, OrderState } from '@usual-pantry/core/order';
import { sayCount, sayShortDay } from '@usual-pantry/core/quantity';
import { useDeferredValue, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useBookQuery, useOrdersQuery, usePlanQuery, type OrderListQuery } from '../app/api';
import { Icon } from '../app/Icon';
import { nonce } from '../app/nonce';
import { FIGURES } from '../app/theme';
import { sayExclusion } from './words';

const tones: Record<OrderState, 'default' | 'success' | 'primary' | 'warning'> = {
  asked: 'warning',
  confirmed: 'primary',
  paid: 'success',
  packed: 'success',
  'handed over': 'default',
  cancelled: 'default',
};

const PAGE_SIZE = 25;

function useColumns(compact: boolean): GridColDef<Order>[] {
  const { data: book } = useBookQuery();
  const { data: plan } = usePlanQuery();
  const names = new Map(book?.boxes.map((box) => [box.id, box.name]));
  const toSettle = new Set(plan?.findings.filter((each) => each.about.noun === 'order').map((each) => each.about.id));
  const customer: GridColDef<Order> = {
    field: 'customerName',
    headerName: 'Customer',
    flex: 1.3,
    minWidth: 150,
    valueGetter: (_value, order) => order.customer.name,
    renderCell: ({ row }) => (
      <span>
        {row.customer.name}
        {toSettle.has(row.id) && (
          <Chip size="small" label="to decide" sx={{ ml: 1, bgcolor: 'warning.light', color: '#1B2430', height: 20 }} />
        )}
      </span>
    ),
  };
  const day: GridColDef<Order> = {
    field: 'handOverOn',
    headerName: 'Hand over',
    width: 128,
    valueGetter: (_value, order) => order.handOver.on,
    renderCell: ({ row }) => (
      <span style={{ fontFamily: FIGURES, whiteSpace: 'nowrap' }}>{sayShortDay(row.handOver.on)}</span>
    ),
  };
  if (compact) return [day, customer];
  return [
    day,
    customer,
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
      valueGetter: (_value, order) =>
        order.lines.map((line) => `${String(line.count)} × ${names.get(line.boxId) ?? line.boxId}`).join(', '),
    },
    {
      field: 'exclusions',
      headerName: 'Exclusions',
      flex: 1,
      minWidth: 110,
      sortable: false,
      valueGetter: (_value, order) => order.exclusions.map(sayExclusion).join(', '),
    },
    {
      field: 'state',
      headerName: 'State',
      width: 116,
      renderCell: ({ row }) => <Chip size="small" variant="outlined" color={tones[row.state]} label={row.state} />,
    },
  ];
}

/** A page of orders, searched and sorted by the server. Compact beside an open order and on a phone. */
export function OrderTable({
  openId,
  compact,
  action,
}: {
  openId: string | undefined;
  compact: boolean;
  action: ReactNode;
}) {
  const narrow = useMediaQuery(useTheme().breakpoints.down('md'));
  const navigate = useNavigate();
  const [page, setPage] = useState(0);
  const [sort, setSort] = useState<GridSortModel>([{ field: 'handOverOn', sort: 'asc' }]);
  const [search, setSearch] = useState('');
  const [show, setShow] = useState<OrderListQuery['show']>('open');
  const query: OrderListQuery = {
    page: page + 1,
    size: PAGE_SIZE,
    sort: sort[0]?.field ?? 'handOverOn',
    direction: sort[0]?.sort ?? 'asc',
    search: useDeferredValue(search.trim()),
    show,
  };
  const { data, isFetching } = useOrdersQuery(query);
  const columns = useColumns(compact || narrow);
  const rows = data?.items ?? [];
  const at = rows.findIndex((order) => order.id === openId);
  useHotkeys(['j', 'k'], (_event, { keys }) => {
    const next = rows[Math.min(Math.max(at + (keys?.includes('j') ? 1 : -1), 0), rows.length - 1)];
    if (next) void navigate(`/orders/${next.id}`);
  });
  return (
    <Box component="section" aria-label="Orders">
      <Box sx={{ display: 'flex', gap: 1, mb: 1.25, flexWrap: 'wrap' }}>
        <TextField
          data-search
          label="Search customers"
          value={search}
          onChange={(event) => {
            setSearch(event.target.value);
            setPage(0);
          }}
          sx={{ flex: '1 1 150px', maxWidth: 320 }}
          slotProps={{
            input: {
              startAdornment: (
                <InputAdornment position="start">
                  <Icon path={mdiMagnify} />
                </InputAdornment>
              ),
            },
          }}
        />
        <TextField
          select
          label="Show"
          value={show}
          onChange={(event) => {
            setShow(event.target.value as OrderListQuery['show']);
            setPage(0);
          }}
          sx={{ width: 110 }}
        >
          <MenuItem value="open">open</MenuItem>
          <MenuItem value="closed">closed</MenuItem>
          <MenuItem value="all">all</MenuItem>
        </TextField>
        {action}
      </Box>
      <DataGrid
        rows={rows}
        columns={columns}
        rowCount={data?.total ?? 0}
        loading={isFetching && !data}
        paginationMode="server"
        sortingMode="server"
        paginationModel={{ page, pageSize: PAGE_SIZE }}
        onPaginationModelChange={(model) => {
          setPage(model.page);
        }}
        pageSizeOptions={[PAGE_SIZE]}
        sortModel={sort}
        onSortModelChange={setSort}
        hideFooter={(data?.total ?? 0) <= PAGE_SIZE}
        disableColumnMenu
        rowSelectionModel={{ type: 'include', ids: new Set(openId ? [openId] : []) }}
        onRowClick={({ id }) => void navigate(`/orders/${String(id)}`)}
        onCellKeyDown={({ id }, event) => {
          if (event.key === 'Enter') void navigate(`/orders/${String(id)}`);
        }}
        getRowHeight={() => 'auto'}
        label="Orders"
        nonce={nonce}
        localeText={{
          noRowsLabel: search ? 'No customer is called that.' : `No ${show === 'all' ? '' : `${show} `}orders.`,
        }}
        sx={{
          bgcolor: 'background.paper',
          borderColor: 'divider',
          '--DataGrid-rowBorderColor': 'var(--mui-palette-divider)',
          '& .MuiDataGrid-cell': {
            py: 1,
            cursor: 'pointer',
            lineHeight: 1.35,
            whiteSpace: 'normal',
          },
        }}
      />
      <Box sx={{ color: 'text.secondary', fontSize: 13.5, mt: 0.75 }}>{sayCount(data?.total ?? 0, 'order')}</Box>
    </Box>
  );
}
