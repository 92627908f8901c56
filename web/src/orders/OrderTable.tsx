import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import type { GridSortModel } from '@mui/x-data-grid';
import { exclusionCodes, exclusionName } from '@usual-pantry/core/ingredient';
import { NO_NAMES } from '../data/useSeason';
import { orderStates, type Order, type OrderState } from '@usual-pantry/core/order';
import { sayCount } from '@usual-pantry/core/quantity';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { SearchField } from '../parts/SearchField';
import { BulkChange } from './BulkChange';
import { OrderGrid } from './OrderGrid';
import { orderApi, useOrdersQuery, type OrderListQuery } from '../data/orders';

const PAGE_SIZE = 25;
const NO_ROWS: readonly Order[] = [];

type Filter = Pick<OrderListQuery, 'show' | 'state' | 'way' | 'exclusion'>;

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [value: string, label: string])[];
  readonly onChange: (value: string) => void;
  readonly width: number;
}

const Choice = ({ label, value, choices, onChange, width }: ChoiceProps) => (
  <TextField
    select
    label={label}
    value={value}
    onChange={({ target }) => {
      onChange(target.value);
    }}
    sx={{ width }}
  >
    {choices.map(([each, name]) => (
      <MenuItem key={each} value={each}>
        {name}
      </MenuItem>
    ))}
  </TextField>
);

const same = (values: readonly string[]) => values.map((value) => [value, value] as const);
const shows = same(['open', 'closed', 'all']);
const states = [['any', 'any state'] as const, ...same(orderStates)];
const ways = [['any', 'any way'] as const, ...same(['stall', 'pick-up', 'courier'])];
const wishes = [
  ['any', 'anything'] as const,
  ...exclusionCodes.map((code) => [code, exclusionName(code, NO_NAMES)] as const),
];

/** Which orders are shown. Beside an open order there is room for the first choice only. */
function Filters({
  filter,
  compact,
  onChange,
}: {
  filter: Filter;
  compact: boolean;
  onChange: (next: Filter) => void;
}) {
  return (
    <>
      <Choice
        label="Show"
        width={110}
        value={filter.show}
        choices={shows}
        onChange={(show) => {
          onChange({ ...filter, show: show as Filter['show'] });
        }}
      />
      {!compact && (
        <>
          <Choice
            label="State"
            width={140}
            value={filter.state ?? 'any'}
            choices={states}
            onChange={(state) => {
              onChange({ ...filter, show: 'all', state: state === 'any' ? undefined : (state as OrderState) });
            }}
          />
          <Choice
            label="Way"
            width={120}
            value={filter.way ?? 'any'}
            choices={ways}
            onChange={(way) => {
              onChange({ ...filter, way: way === 'any' ? undefined : (way as Order['handOver']['way']) });
            }}
          />
          <Choice
            label="Ruled out"
            width={150}
            value={filter.exclusion ?? 'any'}
            choices={wishes}
            onChange={(exclusion) => {
              onChange({ ...filter, exclusion: exclusion === 'any' ? undefined : exclusion });
            }}
          />
        </>
      )}
    </>
  );
}

/** A page of orders, searched, filtered and sorted by the server. Compact beside an open order and on a phone. */
export const OrderTable = memo(function OrderTable({
  openId,
  compact,
}: {
  openId: string | undefined;
  compact: boolean;
}) {
  const narrow = useMediaQuery(useTheme().breakpoints.down('md'));
  const navigate = useNavigate();
  const [page, setPage] = useState(0);
  const [sort, setSort] = useState<GridSortModel>([{ field: 'handOverOn', sort: 'asc' }]);
  const [search, setSearch] = useState('');
  const [filter, setFilter] = useState<Filter>({ show: 'open' });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const sought = useDeferredValue(search.trim());
  const query = useMemo(
    (): OrderListQuery => ({
      page: page + 1,
      size: PAGE_SIZE,
      sort: sort[0]?.field ?? 'handOverOn',
      direction: sort[0]?.sort ?? 'asc',
      search: sought,
      ...filter,
    }),
    [page, sort, sought, filter],
  );
  const { data, currentData, isFetching } = useOrdersQuery(query);
  const rows = data?.items ?? NO_ROWS;
  // The next page is there before it is turned to.
  const prefetch = orderApi.usePrefetch('orders');
  const more = currentData !== undefined && currentData.total > query.page * PAGE_SIZE;
  useEffect(() => {
    if (more) prefetch({ ...query, page: query.page + 1 });
  }, [more, prefetch, query]);
  const model = useMemo(() => ({ page, pageSize: PAGE_SIZE }), [page]);
  const turnPage = useCallback((next: { page: number }) => {
    setPage(next.page);
    setChosen(new Set());
  }, []);
  const open = useCallback((id: string) => void navigate(`/orders/${id}`), [navigate]);
  const small = compact || narrow;
  // Only what can be seen is changed.
  const chosenOrders = small ? [] : rows.filter(({ id }) => chosen.has(id));
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
        <Filters
          filter={filter}
          compact={small}
          onChange={(next) => {
            setFilter(next);
            setPage(0);
          }}
        />
      </Box>
      {chosenOrders.length > 0 && (
        <BulkChange
          orders={chosenOrders}
          onDone={() => {
            setChosen(new Set());
          }}
        />
      )}
      <OrderGrid
        rows={rows}
        rowCount={data?.total ?? 0}
        loading={isFetching && !currentData && !data}
        paginationModel={model}
        onPaginationModelChange={turnPage}
        sortModel={sort}
        onSortModelChange={setSort}
        compact={small}
        openId={openId}
        chosen={chosen}
        onChoose={setChosen}
        onOpen={open}
        noRows={search ? 'No customer is called that.' : 'No orders like that.'}
      />
      <Box sx={{ color: 'text.secondary', typography: 'note', mt: 0.75 }}>{sayCount(data?.total ?? 0, 'order')}</Box>
    </Box>
  );
});
