import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import type { GridSortModel } from '@mui/x-data-grid';
import type { Order } from '@usual-pantry/core/order';
import { sayCount } from '@usual-pantry/core/quantity';
import { memo, useCallback, useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useOrdersQuery, type OrderListQuery } from '../app/api';
import { SearchField } from '../parts/SearchField';
import { useListKeys } from '../parts/useListKeys';
import { OrderGrid } from './OrderGrid';

const PAGE_SIZE = 25;
const NO_ROWS: readonly Order[] = [];

/** A page of orders, searched and sorted by the server. Compact beside an open order and on a phone. */
export const OrderTable = memo(function OrderTable({
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
  const rows = data?.items ?? NO_ROWS;
  const model = useMemo(() => ({ page, pageSize: PAGE_SIZE }), [page]);
  const turnPage = useCallback((next: { page: number }) => {
    setPage(next.page);
  }, []);
  const open = useCallback((id: string) => void navigate(`/orders/${id}`), [navigate]);
  useListKeys(
    '/orders',
    rows.map((order) => order.id),
    openId,
  );
  return (
    <Box component="section" aria-label="Orders">
      <Box sx={{ display: 'flex', gap: 1, mb: 1.25, flexWrap: 'wrap' }}>
        <SearchField
          label="Search customers"
          value={search}
          onChange={(text) => {
            setSearch(text);
            setPage(0);
          }}
          sx={{ flex: '1 1 150px', maxWidth: 320 }}
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
      <OrderGrid
        rows={rows}
        rowCount={data?.total ?? 0}
        loading={isFetching && !data}
        paginationModel={model}
        onPaginationModelChange={turnPage}
        sortModel={sort}
        onSortModelChange={setSort}
        compact={compact || narrow}
        openId={openId}
        onOpen={open}
        noRows={search ? 'No customer is called that.' : `No ${show === 'all' ? '' : `${show} `}orders.`}
      />
      <Box sx={{ color: 'text.secondary', fontSize: 13.5, mt: 0.75 }}>{sayCount(data?.total ?? 0, 'order')}</Box>
    </Box>
  );
});
