import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Link from '@mui/material/Link';
import TextField from '@mui/material/TextField';
import type { SetLabel } from '@usual-pantry/core/api';
import type { BoxFacts } from '@usual-pantry/core/box';
import type { Book } from '@usual-pantry/core/book';
import { allergens, type Allergen } from '@usual-pantry/core/ingredient';
import { carriersOf, whyInBox, whyNotInBox, wordsOnLabel, type WhyStep } from '@usual-pantry/core/label';
import { sayGrams } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { addressOf } from '../parts/addresses';
import { Panel } from '../parts/Panel';

/** What was asked about. */
interface Asked {
  readonly word: string;
  readonly ids: ReadonlySet<string>;
  /** Those that may only bring traces. */
  readonly may: ReadonlySet<string>;
  readonly allergen: Allergen | null;
}

interface Things {
  readonly label: SetLabel;
  readonly facts: BoxFacts;
  readonly book: Book;
}

/** A step of the way, and under it where it comes from. */
function Step({ step }: { step: WhyStep }) {
  return (
    <li>
      <Link component={RouterLink} to={addressOf({ noun: step.noun, id: step.id })}>
        {step.name}
      </Link>{' '}
      <Box component="span">{sayGrams(step.grams)}</Box>
      {step.packs.length > 0 && <Box component="span">, bought as {step.packs.join(' or ')}</Box>}
      {step.lots.length > 0 && <Box component="span">; on hand {step.lots.join(', ')}</Box>}
      {step.from.length > 0 && (
        <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
          {step.from.map((each, index) => (
            <Step key={`${each.id} ${String(index)}`} step={each} />
          ))}
        </Box>
      )}
    </li>
  );
}

function Ways({ asked, facts, book, label }: Things & { asked: Asked }) {
  const steps = whyInBox(facts, asked.ids, book);
  const traces = whyInBox(facts, asked.may, book);
  const kitchen = label.crossContact.filter(({ allergen }) => allergen === asked.allergen);
  return (
    <Box role="status" aria-label={`Why “${asked.word}”`} sx={{ mt: 1 }}>
      <strong>Why “{asked.word}”</strong>
      {steps.length > 0 && (
        <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
          {steps.map((step) => (
            <Step key={step.id} step={step} />
          ))}
        </Box>
      )}
      {traces.length > 0 && (
        <>
          <Box>Its supplier says that there may be traces in:</Box>
          <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
            {traces.map((step) => (
              <Step key={step.id} step={step} />
            ))}
          </Box>
        </>
      )}
      {kitchen.length > 0 && <Box>It may come from your own bench or packing: see below.</Box>}
      {steps.length + traces.length + kitchen.length === 0 && <Box>It stands for no ingredient.</Box>}
      <Box sx={{ typography: 'fine', color: 'text.secondary' }}>Grams as they go in, for one box.</Box>
    </Box>
  );
}

/** The words of a label, each of which says where it comes from; and why another word is not among them. */
export function LabelWords({ label, facts, book }: Things) {
  const [asked, setAsked] = useState<Asked | null>(null);
  const [missing, setMissing] = useState('');
  /** What is declared: a word of the statement or of a name is none of it. */
  const declared = label.blocks.filter(({ spans }) =>
    spans.some(({ ids, allergen }) => ids.length > 0 || allergen !== null),
  );
  const text = wordsOnLabel(declared);
  const whyNot = whyNotInBox(missing, text, facts, book);
  const ask = (word: string, ids: readonly string[], allergen: Allergen | null) => {
    const carriers = allergen === null ? null : carriersOf(allergen, facts, book);
    setAsked({ word, ids: carriers?.contain ?? new Set(ids), may: carriers?.may ?? new Set(), allergen });
  };
  return (
    <Panel title="Why is this word here?">
      {declared.map(({ heading, spans }) => (
        <Box component="p" key={`${heading} ${spans[0]?.text ?? ''}`} sx={{ my: 0.5, lineHeight: 1.9 }}>
          <strong>{heading}</strong>{' '}
          {spans.map(({ text: word, strong, ids, allergen }, index) => {
            const isWord = /[\p{L}\d]/u.test(word) && (ids.length > 0 || allergen !== null);
            if (!isWord) return <span key={index}>{word}</span>;
            return (
              <ButtonBase
                key={index}
                onClick={() => {
                  ask(word.trim(), ids, allergen);
                }}
                aria-label={`Why ${allergen === null ? word.trim() : allergens[allergen].name}?`}
                sx={{
                  font: 'inherit',
                  fontWeight: strong ? 750 : 'inherit',
                  verticalAlign: 'baseline',
                  borderBottom: '1px dotted',
                  borderColor: 'text.secondary',
                  display: 'inline',
                  textAlign: 'left',
                  whiteSpace: 'pre-wrap',
                }}
              >
                {word}
              </ButtonBase>
            );
          })}
        </Box>
      ))}
      {asked && <Ways asked={asked} label={label} facts={facts} book={book} />}
      <TextField
        label="Why is another word not here?"
        value={missing}
        onChange={(event) => {
          setMissing(event.target.value);
        }}
        helperText={missing.trim() === '' ? 'An ingredient or a part of one' : (whyNot ?? 'It stands on the label.')}
        size="small"
        sx={{ mt: 1.5, width: '100%', maxWidth: 420 }}
      />
    </Panel>
  );
}
