/** One kind of refusal. */
interface Kind {
  readonly status: number;
  readonly title: string;
  /** What the caller can rely on. */
  readonly safe: string;
  readonly toDo: string;
}

const UNCHANGED = 'Nothing was changed.';
const STORED = 'Nothing of it was stored, and what was stored before is whole.';

/** Every kind of refusal by its code. A cause that is mended in another way has a code of its own. */
export const problems = {
  'wrong-values': {
    status: 422,
    title: 'Some values cannot be right',
    safe: UNCHANGED,
    toDo: 'Mend the values that are named, and send it again.',
  },
  'wrong-address': {
    status: 400,
    title: 'The address asks for something that cannot be',
    safe: UNCHANGED,
    toDo: 'Mend the parts of the address that are named.',
  },
  'not-json': {
    status: 400,
    title: 'Not well-formed JSON',
    safe: UNCHANGED,
    toDo: 'Send well-formed JSON in UTF-8.',
  },
  'too-deep': {
    status: 400,
    title: 'Nested too deeply',
    safe: UNCHANGED,
    toDo: 'Send it with fewer lists in lists.',
  },
  'wrong-type': {
    status: 415,
    title: 'Another kind of content is needed',
    safe: UNCHANGED,
    toDo: 'Send JSON, with Content-Type: application/json.',
  },
  'too-large': {
    status: 413,
    title: 'Too large',
    safe: UNCHANGED,
    toDo: 'Send less at once.',
  },
  'not-found': {
    status: 404,
    title: 'No such record',
    safe: UNCHANGED,
    toDo: 'Look at the list: it may have been deleted.',
  },
  'batch-over': {
    status: 409,
    title: 'This batch is over',
    safe: 'Nothing was changed.',
    toDo: 'Look at it among the batches that were made, or start another.',
  },
  'example-failed': {
    status: 502,
    title: 'The example kitchen does not answer',
    safe: 'Your own kitchen is untouched.',
    toDo: 'Remove the example in the settings, and load it again.',
  },
  'no-such-address': {
    status: 404,
    title: 'No such address',
    safe: UNCHANGED,
    toDo: 'Look at /api/docs for the addresses that there are.',
  },
  stale: {
    status: 409,
    title: 'Changed elsewhere',
    safe: UNCHANGED,
    toDo: 'Compare with what is stored now, then save again.',
  },
  'id-taken': {
    status: 409,
    title: 'There is one with this id already',
    safe: UNCHANGED,
    toDo: 'Change the one that is there, or leave the id out.',
  },
  'in-the-way': {
    status: 409,
    title: 'A later edit stands in the way',
    safe: UNCHANGED,
    toDo: 'Undo the later edit first, or edit the record.',
  },
  'not-in-history': {
    status: 409,
    title: 'Nothing to undo',
    safe: UNCHANGED,
    toDo: 'Look at the list of changes.',
  },
  'in-use': {
    status: 409,
    title: 'In use',
    safe: UNCHANGED,
    toDo: 'Take it out of what uses it first.',
  },
  'look-first': {
    status: 409,
    title: 'Not looked at yet',
    safe: UNCHANGED,
    toDo: 'Look at what it would do, then accept it.',
  },
  busy: {
    status: 409,
    title: 'Something else is being worked out',
    safe: UNCHANGED,
    toDo: 'Wait for it, or stop it.',
  },
  'given-up': {
    status: 409,
    title: 'Given up',
    safe: UNCHANGED,
    toDo: 'Ask again.',
  },
  'took-too-long': {
    status: 503,
    title: 'It took too long',
    safe: UNCHANGED,
    toDo: 'Send less at once, or try again when the computer is less busy.',
  },
  'key-reused': {
    status: 422,
    title: 'This key belongs to another request',
    safe: UNCHANGED,
    toDo: 'Send a new Idempotency-Key with each new request, and the same one only when the same request is sent again.',
  },
  'not-restored': {
    status: 422,
    title: 'The copy cannot be used',
    safe: 'Everything is as before.',
    toDo: 'Check the copy, or take another one.',
  },
  'disk-full': {
    status: 507,
    title: 'The disk is full',
    safe: STORED,
    toDo: 'Make room, then save again.',
  },
  'disk-trouble': {
    status: 503,
    title: 'The disk could not be written or read',
    safe: STORED,
    toDo: 'Look at the disk, then save again.',
  },
  'read-only': {
    status: 503,
    title: 'The database may only be read',
    safe: STORED,
    toDo: 'Look at who may write to its folder, then save again.',
  },
  'database-busy': {
    status: 503,
    title: 'Another program holds the database',
    safe: STORED,
    toDo: 'Close that program, then save again.',
  },
  'database-damaged': {
    status: 503,
    title: 'The database is damaged',
    safe: 'Nothing of it was stored.',
    toDo: 'Stop the program and put a backup in its place: docs/deploy.md tells how.',
  },
  'database-away': {
    status: 503,
    title: 'The database could not be opened again',
    safe: STORED,
    toDo: 'It is tried anew with every save. If it stays so, look at the disk and start the program again.',
  },
  'sign-in': {
    status: 401,
    title: 'Nobody is signed in here',
    safe: UNCHANGED,
    toDo: 'Sign in with the passphrase, or pair this device with a code from one that is signed in.',
  },
  'wrong-passphrase': {
    status: 401,
    title: 'That is not the passphrase',
    safe: UNCHANGED,
    toDo: 'Try again. On the computer itself, npm run passphrase sets a new one.',
  },
  'wrong-code': {
    status: 401,
    title: 'The code does not hold',
    safe: UNCHANGED,
    toDo: 'Make a new code: each holds for a few minutes and for one device.',
  },
  'too-many-tries': {
    status: 429,
    title: 'Too many tries',
    safe: UNCHANGED,
    toDo: 'Wait as long as Retry-After says, then try again.',
  },
  'not-for-helpers': {
    status: 403,
    title: 'Not for helpers',
    safe: UNCHANGED,
    toDo: 'Ask the maker.',
  },
  'wrong-host': {
    status: 403,
    title: 'Not a name of this kitchen',
    safe: UNCHANGED,
    toDo: 'Use one of its names, or add this one to ALLOWED_HOSTS.',
  },
  'wrong-origin': {
    status: 403,
    title: 'Not from this kitchen’s own pages',
    safe: UNCHANGED,
    toDo: 'Open the kitchen’s own pages.',
  },
  unsigned: {
    status: 401,
    title: 'Not signed by the shop',
    safe: UNCHANGED,
    toDo: 'Sign the message with the key of the inbox, and send it within five minutes.',
  },
  'no-inbox-key': {
    status: 503,
    title: 'The inbox has no key',
    safe: UNCHANGED,
    toDo: 'Make one in Orders > Inbox, and give it to the shop.',
  },
  failed: {
    status: 500,
    title: 'Something went wrong here',
    safe: 'Nothing was changed; what you typed is still on your page.',
    toDo: 'Try again. If it stays so, Settings > Diagnostics makes a file for a report.',
  },
} as const satisfies Record<string, Kind>;

export type ProblemCode = keyof typeof problems;

export const isProblemCode = (code: string): code is ProblemCode => Object.hasOwn(problems, code);

/** Where a kind of refusal is described. */
export const problemType = (code: ProblemCode): string => `/api/problems/${code}`;
