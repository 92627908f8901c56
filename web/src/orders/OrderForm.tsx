import { mdiPlus, mdiGiftOutline, mdiReceiptTextOutline, mdiTrashCanOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import { exclusionGroup, exclusionName, exclusionOptions } from '@usual-pantry/core/ingredient';
import { schoolCodes, schoolNames } from '@usual-pantry/core/kitchen';
import { orderDraftSchema, orderStates, priceOfOrder, type Order, type OrderDraft } from '@usual-pantry/core/order';
import { percentOfMinor, sayMoney } from '@usual-pantry/core/quantity';
import { memo } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { Icon } from '../parts/Icon';
import { ChoiceInput, ManyInput, MoneyInput, NumberInput, PickInput, TextInput } from '../parts/fields';
import { Panel } from '../parts/Panel';
import { RecordFrame } from '../records/RecordFrame';
import { useRemoval } from '../records/useRemoval';
import { useRecordForm } from '../records/useRecordForm';
import type { SeasonBook } from '../data/useSeason';
import { Payments } from './Payments';
import { freshOrder } from './freshOrder';
import { OrderSummary } from './OrderSummary';
import { sayMoment } from '../parts/words';
import { RepeatLast } from './RepeatLast';

const choices = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

function BoxLines({ season }: { season: SeasonBook }) {
  const { fields, append, remove } = useFieldArray({ name: 'lines' });
  const { boxes } = season.data;
  const nameOf = (id: string) => boxes.find((box) => box.id === id)?.name ?? id;
  const several = fields.length > 1;
  return (
    <Panel
      title="Boxes"
      aside={
        <Button
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onClick={() => {
            append({ boxId: '', count: 1, edition: null, without: [] });
          }}
        >
          Add a box
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gap: 1.25 }}>
        {fields.map((field, index) => (
          <Box
            key={field.id}
            sx={{
              display: 'grid',
              gridTemplateColumns: '84px 1fr 40px',
              gap: 1,
              alignItems: 'start',
            }}
          >
            <NumberInput name={`lines.${index}.count`} label="How many" />
            <PickInput name={`lines.${index}.boxId`} label="Box" options={boxes.map((box) => box.id)} nameOf={nameOf} />
            <IconButton
              aria-label={`Remove box ${index + 1}`}
              disabled={fields.length === 1}
              onClick={() => {
                remove(index);
              }}
            >
              <Icon path={mdiTrashCanOutline} />
            </IconButton>
            <LineWishes index={index} season={season} several={several} />
          </Box>
        ))}
      </Box>
    </Panel>
  );
}

/** What these boxes alone must not contain: asked where there are several lines, or where something is ruled out. */
function LineWishes({ index, season, several }: { index: number; season: SeasonBook; several: boolean }) {
  const name = `lines.${String(index)}.without`;
  const without = useWatch({ name }) as string[] | undefined;
  if (!several && (without ?? []).length === 0) return null;
  return (
    <Box sx={{ gridColumn: '2 / 3' }}>
      <ManyInput
        name={name}
        label={`Box ${String(index + 1)} alone must not contain`}
        options={exclusionOptions(season.book)}
        nameOf={(code) => exclusionName(code, season.book)}
        groupOf={exclusionGroup}
      />
    </Box>
  );
}

/** What the order puts in place of pieces itself; each can be taken back. */
function OwnStandIns({ season }: { season: SeasonBook }) {
  const { setValue } = useFormContext<OrderDraft>();
  const standIns = useWatch<OrderDraft, 'standIns'>({ name: 'standIns' });
  const nameOf = (id: string) => season.book.pieces.get(id)?.piece.name ?? id;
  if (standIns.length === 0) return null;
  return (
    <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap', alignItems: 'center' }}>
      For this order:
      {standIns.map((each) => (
        <Chip
          key={`${each.boxId} ${each.pieceId} ${each.withId}`}
          label={`${nameOf(each.withId)} in place of ${nameOf(each.pieceId)}`}
          onDelete={() => {
            setValue(
              'standIns',
              standIns.filter((other) => other !== each),
              { shouldDirty: true },
            );
          }}
        />
      ))}
    </Box>
  );
}

/** The deposit, and one press for the share that the kitchen asks for. */
function Deposit({ season }: { season: SeasonBook }) {
  const { setValue } = useFormContext<OrderDraft>();
  const parsed = orderDraftSchema.safeParse(useWatch());
  const { depositPercent, currency } = season.data.kitchen;
  const asked = parsed.success ? percentOfMinor(priceOfOrder(parsed.data, season.book), depositPercent) : 0;
  return (
    <Box>
      <MoneyInput name="depositMinor" label="Deposit paid" currency={currency} />
      {asked > 0 && (
        <Button
          size="small"
          onClick={() => {
            setValue('depositMinor', asked, { shouldDirty: true });
          }}
        >
          {depositPercent} %: {sayMoney(asked, currency)}
        </Button>
      )}
    </Box>
  );
}

/** The fields of an order. Apart, so that a save draws again only those that have changed. */
const OrderFields = memo(function OrderFields({ season, isNew }: { season: SeasonBook; isNew: boolean }) {
  return (
    <>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '3fr 2fr' } }}>
        <TextInput name="customer.name" label="Customer" autoFocus={isNew} />
        <TextInput name="customer.contact" label="Phone or mail" />
      </Box>
      {isNew && <RepeatLast season={season} />}
      <BoxLines season={season} />
      <Panel title="Hand-over">
        <Box
          sx={{
            display: 'grid',
            gap: 1.5,
            gridTemplateColumns: { xs: '1fr 1fr', sm: '170px 130px 1fr' },
          }}
        >
          <TextInput name="handOver.on" label="Day" type="date" />
          <ChoiceInput name="handOver.way" label="Way" choices={choices(['pick-up', 'stall', 'courier'])} />
          <Box sx={{ gridColumn: { xs: '1 / -1', sm: 'auto' } }}>
            <TextInput name="handOver.place" label="Place" />
          </Box>
        </Box>
      </Panel>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: '1fr', sm: '1fr 150px 130px' },
        }}
      >
        <ManyInput
          name="exclusions"
          label="Must not contain"
          help="A home kitchen can never promise “free from”."
          options={exclusionOptions(season.book)}
          nameOf={(code) => exclusionName(code, season.book)}
          groupOf={exclusionGroup}
        />
        <ChoiceInput name="state" label="State" choices={choices(orderStates)} />
        <Deposit season={season} />
        <ChoiceInput
          name="labelSchool"
          label="Labels by the rules of"
          empty={null}
          choices={[
            { value: '', label: `the kitchen (${schoolNames[season.data.kitchen.label.school]})` },
            ...schoolCodes.map((value) => ({ value, label: schoolNames[value] })),
          ]}
          sx={{ maxWidth: 360 }}
        />
      </Box>
      <OwnStandIns season={season} />
      {!isNew && <Payments season={season} />}
      <TextInput name="notes" label="Notes" multiline />
    </>
  );
});

/** When the order came into which state. */
const StateHistory = ({ order }: { order: Order }) => (
  <Box
    component="ol"
    aria-label="History"
    sx={{ m: 0, p: 0, listStyle: 'none', display: 'flex', flexWrap: 'wrap', gap: 1 }}
  >
    {order.history.map(({ state, at }, index) => (
      <Box component="li" key={`${at} ${String(index)}`} sx={{ color: 'text.secondary', typography: 'note' }}>
        {index > 0 && '→ '}
        {state} {sayMoment(at)}
      </Box>
    ))}
  </Box>
);

/** An order as a form, with what it weighs, costs and breaks beside it while it is typed. */
export function OrderForm({ season, order }: { season: SeasonBook; order: Order | null }) {
  const record = useRecordForm({
    noun: 'order',
    schema: orderDraftSchema,
    record: order,
    fresh: freshOrder(season),
    addressOf: ({ id }) => `/orders/${id}`,
  });
  const setState = async (state: OrderDraft['state']) => {
    record.form.setValue('state', state, { shouldDirty: true });
    await record.save();
  };
  return (
    <RecordFrame
      title={order ? order.customer.name : 'New order'}
      record={record}
      back="/orders"
      onDelete={useRemoval('order', order, '/orders')}
      actions={
        order && (
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', justifyContent: 'flex-end' }}>
            <Button
              size="small"
              component={Link}
              to={`/orders/${order.id}/slip`}
              startIcon={<Icon path={mdiReceiptTextOutline} />}
            >
              Slip
            </Button>
            <Button
              size="small"
              component={Link}
              to={`/print/orders/${order.id}`}
              startIcon={<Icon path={mdiGiftOutline} />}
            >
              Packing card
            </Button>
            {order.state !== 'cancelled' && (
              <Button size="small" variant="outlined" onClick={() => void setState('cancelled')}>
                Cancel the order
              </Button>
            )}
          </Box>
        )
      }
    >
      <OrderSummary season={season} order={order} />
      <OrderFields season={season} isNew={order === null} />
      {order?.words && (
        <Box
          component="blockquote"
          sx={{ m: 0, pl: 1.5, borderLeft: 3, borderColor: 'divider', color: 'text.secondary' }}
        >
          As it was asked for: “{order.words}”
        </Box>
      )}
      {order && order.history.length > 0 && <StateHistory order={order} />}
    </RecordFrame>
  );
}
