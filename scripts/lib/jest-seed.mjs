// Property tests begin from one seed in a whole run: FC_SEED, or one that is chosen and printed at its start.
import fc from 'fast-check';

fc.configureGlobal({ seed: Number(process.env.FC_SEED) });
