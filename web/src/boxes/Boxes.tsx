import { sayCount, sayGrams, sayMoney } from '@usual-pantry/core/quantity';
import { useParams } from 'react-router';
import { AllergenTags } from '../parts/Allergens';
import { AnswerLine } from '../parts/AnswerLine';
import { Findings } from '../findings/Findings';
import { Empty } from '../parts/Panel';
import { RecordList } from '../records/RecordList';
import { sayPercent } from '../parts/words';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { BoxComposer } from './BoxComposer';
import { MiniTray } from './MiniTray';
import { useMoneyQuery } from '../data/boxes';

function BoxList({ season }: { season: SeasonBook }) {
  const { data: costs } = useMoneyQuery();
  const { book, data } = season;
  const currency = data.kitchen.currency;
  const boxes = [...book.boxes.values()];
  const best = costs?.reduce<(typeof costs)[number] | undefined>(
    (top, each) => (top && (top.perBenchHourMinor ?? 0) >= (each.perBenchHourMinor ?? 0) ? top : each),
    undefined,
  );
  return (
    <>
      <AnswerLine>
        {boxes.length === 0
          ? 'No boxes yet.'
          : `${sayCount(boxes.length, 'box', 'boxes')}${best ? `; ${best.name} earns most for an hour at the bench, ${sayMoney(best.perBenchHourMinor ?? 0, currency)}` : ''}.`}
      </AnswerLine>
      <Findings findings={boxes.flatMap((facts) => facts.findings)} />
      <RecordList
        title="Boxes"
        base="/boxes"
        openId={undefined}
        newLabel="New box"
        columns
        empty={<Empty title="A box holds pieces in cells.">Add one, then fill its cells from the shelf.</Empty>}
        items={boxes.map((facts) => {
          const cost = costs?.find((each) => each.boxId === facts.box.id);
          return {
            id: facts.box.id,
            name: facts.box.name,
            mark: <MiniTray facts={facts} book={book} />,
            below: (
              <>
                {sayCount(facts.pieceCount, 'piece')} · {sayGrams(facts.weightGrams)} ·{' '}
                {sayMoney(facts.box.priceMinor, currency)}
                {cost && <> · margin {sayPercent(cost.marginPercent)}</>}
                <br />
                <AllergenTags codes={facts.contains} />
              </>
            ),
          };
        })}
      />
    </>
  );
}

/** All boxes, or the composer of one. */
export function Boxes() {
  const { id } = useParams();
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  if (id === undefined) return <BoxList season={season} />;
  const box = season.data.boxes.find((each) => each.id === id) ?? null;
  if (!box && id !== 'new') return <Empty title="This box is not there any more." />;
  return <BoxComposer key={id} season={season} box={box} />;
}
