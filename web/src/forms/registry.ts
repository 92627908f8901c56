import type { PieceForm } from '@usual-pantry/core/piece';
import { broken } from './broken';
import { cut } from './cut';
import { dipped } from './dipped';
import { moulded } from './moulded';
import { piped } from './piped';
import { portion } from './portion';
import { rolled } from './rolled';
import type { FormView } from './view';

/** Every form as it is shown, in the order in which they are offered. The compiler names what is missing when a kind is added. */
export const formViews: { readonly [Kind in PieceForm['kind']]: FormView } = {
  cut,
  broken,
  rolled,
  dipped,
  moulded,
  piped,
  portion,
};
