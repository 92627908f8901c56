import { mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { exclusionCodes, exclusions } from '@usual-pantry/core/ingredient';
import { orderDraftSchema, orderStates, type Order, type OrderDraft } from '@usual-pantry/core/order';
import { memo } from 'react';
import { useFieldArray } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { Icon } from '../app/Icon';
import { ChoiceInput, ManyInput, NumberInput, PickInput, TextInput } from '../parts/fields';
import { Panel } from '../parts/Panel';
import { RecordFrame } from '../parts/RecordFrame';
import { useRemoval } from '../parts/useRemoval';
import { useRecordForm } from '../parts/useRecordForm';
import type { SeasonBook } from '../parts/useSeason';
import { freshOrder } from './freshOrder';
import { OrderSummary } from './OrderSummary';
import { RepeatLast } from './RepeatLast';

const choices = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

function BoxLines({ season }: { season: SeasonBook }) {
  const { fields, append, remove } = useFieldArray({ name: 'lines' });
  const { boxes } = season.data;
  const nameOf = (id: string) => boxes.find((box) => box.id === id)?.name ?? id;
  return (
    <Panel
      title="Boxes"
      aside={
        <Button
          size="small"
          startIcon={<Icon path={mdiPlus} />}
          onClick={() => {
            append({ boxId: '', count: 1 });
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
          </Box>
        ))}
      </Box>
    </Panel>
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
          options={exclusionCodes}
          nameOf={(code) => exclusions[code]?.name ?? code}
        />
        <ChoiceInput name="state" label="State" choices={choices(orderStates)} />
        <NumberInput name="depositMinor" label="Deposit" scale={100} unit={season.data.kitchen.currency} />
      </Box>
      <TextInput name="notes" label="Notes" multiline minRows={2} />
    </>
  );
});

/** An order as a form, with what it weighs, costs and breaks beside it while it is typed. */
export function OrderForm({ season, order }: { season: SeasonBook; order: Order | null }) {
  const navigate = useNavigate();
  const record = useRecordForm({
    noun: 'order',
    schema: orderDraftSchema,
    record: order,
    fresh: freshOrder(season),
    nameOf: (draft) => `${draft.customer.name}’s order`,
    onSaved: (saved) => void navigate(`/orders/${saved.id}`, { replace: true }),
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
      onDelete={useRemoval('order', order, `${order?.customer.name ?? ''}’s order`, '/orders')}
      actions={
        order &&
        order.state !== 'cancelled' && (
          <Button size="small" variant="outlined" onClick={() => void setState('cancelled')}>
            Cancel the order
          </Button>
        )
      }
    >
      <OrderSummary season={season} order={order} />
      <OrderFields season={season} isNew={order === null} />
    </RecordFrame>
  );
}
