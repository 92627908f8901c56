/** Sayings, rhymes and first lines that everybody knows: whoever guesses passphrases tries them first. From memory; common property. */
const phrases = `
a bird in the hand is worth two in the bush
a penny saved is a penny earned
a picture is worth a thousand words
a place for everything and everything in its place
a rolling stone gathers no moss
a rose by any other name
a spoonful of sugar
a stitch in time saves nine
a watched pot never boils
absence makes the heart grow fonder
actions speak louder than words
all good things come to those who wait
all is well that ends well
all that glitters is not gold
all the worlds a stage
an apple a day keeps the doctor away
as easy as pie
ashes to ashes dust to dust
baa baa black sheep
beauty is in the eye of the beholder
better late than never
birds of a feather flock together
carpe diem seize the day
cleanliness is next to godliness
correct horse battery staple
curiosity killed the cat
deck the halls with boughs of holly
do not count your chickens before they hatch
early to bed and early to rise
easy come easy go
every cloud has a silver lining
fee fi fo fum
fool me once shame on you
fortune favors the bold
four score and seven years ago
god bless america
god save the queen
good things come in small packages
great minds think alike
happy birthday to you
haste makes waste
hickory dickory dock
home is where the heart is
home sweet home
honesty is the best policy
humpty dumpty sat on a wall
i love you so much
i think therefore i am
if at first you do not succeed try again
if it is not broken do not fix it
in the beginning was the word
it was a dark and stormy night
it was the best of times it was the worst of times
jack and jill went up the hill
jingle bells jingle all the way
knowledge is power
laughter is the best medicine
let me in please
let sleeping dogs lie
let there be light
little jack horner sat in a corner
little miss muffet sat on a tuffet
live and let live
london bridge is falling down
look before you leap
many hands make light work
mary had a little lamb
merry christmas and a happy new year
mind over matter
money does not grow on trees
my kingdom for a horse
necessity is the mother of invention
never put off until tomorrow
no pain no gain
no place like home
oh say can you see
old macdonald had a farm
once upon a time
one for all and all for one
open sesame
out of sight out of mind
over the river and through the woods
pat a cake pat a cake bakers man
peter piper picked a peck of pickled peppers
practice makes perfect
rain rain go away
rock a bye baby
rome was not built in a day
roses are red violets are blue
row row row your boat
shall i compare thee to a summers day
she sells sea shells by the sea shore
silent night holy night
simple simon met a pieman
sing a song of sixpence
slow and steady wins the race
sticks and stones may break my bones
sugar and spice and everything nice
the early bird catches the worm
the end justifies the means
the grass is always greener on the other side
the land of the free and the home of the brave
the lord is my shepherd
the pen is mightier than the sword
the quick brown fox jumps over the lazy dog
the show must go on
there is no place like home
there is no such thing as a free lunch
this is my password
this is a secret passphrase
this little piggy went to market
three blind mice
time flies when you are having fun
time is money
to be or not to be that is the question
to err is human to forgive divine
too many cooks spoil the broth
twas the night before christmas
twinkle twinkle little star
two wrongs do not make a right
united we stand divided we fall
we hold these truths to be self evident
we the people of the united states
when in rome do as the romans do
when it rains it pours
where there is a will there is a way
you are my sunshine
you cannot have your cake and eat it too
you cannot judge a book by its cover
you only live once
`
  .trim()
  .split('\n')
  .map((phrase) => phrase.replaceAll(' ', ''))
  .sort((a, b) => b.length - a.length);

/** Shorter beginnings of a phrase may be anybody's own words. */
const LEAST_PART = 10;

/** As it is compared: letters alone, in lower case, and figures that stand for letters as these. */
const LEET: Readonly<Record<string, string>> = {
  '0': 'o',
  '1': 'i',
  '3': 'e',
  '4': 'a',
  '5': 's',
  '7': 't',
  '@': 'a',
  $: 's',
};
const letters = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[013457@$]/g, (sign) => LEET[sign] ?? '')
    .replace(/[^a-z]/g, '');

/**
 * Takes away from a passphrase what everybody knows: what is left is what must be guessed.
 * @returns the passphrase as it is when no known phrase, nor the first half of one, is in it
 */
export function withoutPhrases(text: string): string {
  let left = letters(text);
  let isKnown = false;
  for (const phrase of phrases) {
    const half = phrase.slice(0, Math.max(LEAST_PART, Math.ceil(phrase.length / 2)));
    for (const part of [phrase, half]) {
      if (!left.includes(part)) continue;
      left = left.replace(part, '');
      isKnown = true;
    }
  }
  return isKnown ? left : text;
}
