/** Why the program does not start, in words for the maker: what is wrong, what is safe and what to do. */
export class CannotStart extends Error {}
