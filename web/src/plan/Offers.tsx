import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { PlanSummary } from '@usual-pantry/core/api';
import { moreBoxes } from '@usual-pantry/core/order';
import { gainOf, type Offer } from '@usual-pantry/core/promise';
import { sayGrams, sayList, sayMinutes, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { said } from '../data/notices';
import { OFFERS } from '../data/plan';
import { recordApi } from '../data/records';
import { useAppDispatch } from '../data/store';
import { useAsked } from '../data/useAsked';
import { sayRefusal, type Refusal } from '../parts/refusal';
import { WorkingOut } from '../parts/WorkingOut';
import { TryAgain, usePlanGround } from './TryAgain';

const nameOf = ({ boxes }: Offer): string =>
  boxes.map(({ count, boxName }, at) => `${String(count)} ${at === 0 ? 'more ' : ''}× ${boxName}`).join(' + ');

/** What boxes that nobody has ordered would cost, in words. */
function sayCost(offer: Offer, currency: string): string {
  const { boxes, packagingMinor, boughtMinor, handsMinutes } = offer;
  const count = boxes.reduce((sum, each) => sum + each.count, 0);
  const packaging =
    boxes.length > 1 ? sayMoney(packagingMinor, currency) : `${sayMoney(packagingMinor / count, currency)} each`;
  return sayList([
    `${packaging} in packaging`,
    ...(boughtMinor > 0 ? [`${sayMoney(boughtMinor, currency)} more to buy`] : []),
    `${sayMinutes(handsMinutes)} of hands`,
  ]);
}

/** Takes boxes that nobody has ordered into the plan, as an order that may still be changed or taken back. */
function useTakeOffer() {
  const dispatch = useAppDispatch();
  return async (offer: Offer): Promise<void> => {
    const { id: _id, ...order } = moreBoxes(offer, 'offer');
    const draft = { ...order, notes: 'Packed from what would be left over.' };
    const label = `${nameOf(offer)} taken into the plan for ${sayShortDay(offer.on)}.`;
    try {
      await dispatch(recordApi.endpoints.add.initiate({ noun: 'order', draft, label })).unwrap();
    } catch (error) {
      dispatch(said({ text: sayRefusal(error as Refusal), tone: 'trouble' }));
    }
  };
}

function OfferRow({ offer, currency }: { offer: Offer; currency: string }) {
  const take = useTakeOffer();
  const [isTaking, setIsTaking] = useState(false);
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        flexWrap: 'wrap',
        py: 0.75,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: '1 1 260px' }}>
        <Box sx={{ fontWeight: 650 }}>
          {nameOf(offer)}, for {sayShortDay(offer.on)}
        </Box>
        <Box sx={{ typography: 'fine', color: 'text.secondary' }}>
          {sayCost(offer, currency)}
          {offer.savedGrams >= 1 && `; ${sayGrams(offer.savedGrams)} less left over`}
        </Box>
      </Box>
      <Box sx={{ typography: 'figures' }}>brings {sayMoney(gainOf(offer), currency)}</Box>
      <Button
        variant="outlined"
        disabled={isTaking}
        aria-label={`Take ${nameOf(offer)}`}
        onClick={() => {
          setIsTaking(true);
          void take(offer).finally(() => {
            setIsTaking(false);
          });
        }}
      >
        Take them
      </Button>
    </Box>
  );
}

function Found({ currency, onClose }: { currency: string; onClose: () => void }) {
  const { ground, again } = usePlanGround();
  const { data, error, isOver } = useAsked(OFFERS, 'offers', ground);
  if (!isOver)
    return (
      <WorkingOut action={<Button onClick={onClose}>Stop</Button>}>
        Trying each box on each day of a hand-over …
      </WorkingOut>
    );
  if (error)
    return (
      <Box role="alert">
        <TryAgain error={error} again={again} />
      </Box>
    );
  if (!data || data.length === 0)
    return <span>Nothing more can be packed: no box has all its pieces left over, or the days before are full.</span>;
  return (
    <>
      <Typography sx={{ typography: 'fine', color: 'text.secondary' }}>
        Without one batch more, and with every day ending in time. Each row for itself: what one takes, another cannot
        have.
      </Typography>
      <Box component="ul" aria-label="What could still be sold" sx={{ listStyle: 'none', p: 0, m: 0, mt: 1 }}>
        {data.map((offer) => (
          <OfferRow key={nameOf(offer)} offer={offer} currency={currency} />
        ))}
      </Box>
    </>
  );
}

/** What is left over is an offer: further boxes that could be packed from it, and what they would bring. */
export function Offers({ plan: { leftOverGrams, currency } }: { plan: PlanSummary }) {
  const [isOpen, setIsOpen] = useState(false);
  if (leftOverGrams < 1) return null;
  return (
    <Paper component="section" aria-label="Left over" variant="outlined" sx={{ p: 1.5, mb: 1.5, displayPrint: 'none' }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: isOpen ? 1 : 0 }}>
        <Box sx={{ flex: '1 1 260px' }}>{sayGrams(leftOverGrams)} will be left over.</Box>
        <Button
          variant="outlined"
          aria-expanded={isOpen}
          onClick={() => {
            setIsOpen(!isOpen);
          }}
        >
          What could still be sold
        </Button>
      </Box>
      {isOpen && (
        <Found
          currency={currency}
          onClose={() => {
            setIsOpen(false);
          }}
        />
      )}
    </Paper>
  );
}
