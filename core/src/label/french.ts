/**
 * Names of ingredients in French, as suggestions. From memory, for Canada: the maker checks each.
 * One name a line: `English|French`.
 */
const words = `sugar|sucre
brown sugar|cassonade
powdered sugar|sucre à glacer
icing sugar|sucre à glacer
cane sugar|sucre de canne
glucose syrup|sirop de glucose
corn syrup|sirop de maïs
invert sugar|sucre inverti
dextrose|dextrose
fructose|fructose
golden syrup|sirop doré
maple syrup|sirop d’érable
maple sugar|sucre d’érable
honey|miel
molasses|mélasse
agave syrup|sirop d’agave
butter|beurre
cream|crème
heavy cream|crème épaisse
milk|lait
whole milk|lait entier
milk powder|poudre de lait
whole milk powder|poudre de lait entier
skim milk powder|poudre de lait écrémé
dry whole milk|poudre de lait entier
nonfat dry milk|poudre de lait écrémé
evaporated milk|lait évaporé
sweetened condensed milk|lait concentré sucré
milk fat|matière grasse du lait
milkfat|matière grasse du lait
whey|lactosérum
whey powder|poudre de lactosérum
lactose|lactose
cream cheese|fromage à la crème
egg|œuf
eggs|œufs
egg white|blanc d’œuf
egg whites|blancs d’œufs
egg yolk|jaune d’œuf
dark chocolate|chocolat noir
semisweet chocolate|chocolat mi-sucré
bittersweet chocolate|chocolat mi-amer
milk chocolate|chocolat au lait
white chocolate|chocolat blanc
unsweetened chocolate|chocolat non sucré
chocolate liquor|liqueur de cacao
cocoa mass|pâte de cacao
cocoa butter|beurre de cacao
cocoa|cacao
cocoa powder|poudre de cacao
cocoa nibs|éclats de cacao
soy lecithin|lécithine de soja
sunflower lecithin|lécithine de tournesol
lecithin|lécithine
vanilla|vanille
vanilla extract|extrait de vanille
vanillin|vanilline
natural flavor|arôme naturel
salt|sel
sea salt|sel de mer
smoked salt|sel fumé
water|eau
wheat flour|farine de blé
flour|farine
enriched wheat flour|farine de blé enrichie
oats|avoine
rolled oats|flocons d’avoine
barley malt|malt d’orge
malted barley|orge maltée
malt extract|extrait de malt
malted milk powder|poudre de lait malté
rye flour|farine de seigle
rice flour|farine de riz
cornstarch|amidon de maïs
corn starch|amidon de maïs
potato starch|fécule de pomme de terre
baking soda|bicarbonate de sodium
sodium bicarbonate|bicarbonate de sodium
baking powder|poudre à pâte
cream of tartar|crème de tartre
citric acid|acide citrique
gelatin|gélatine
pectin|pectine
almonds|amandes
almond|amande
hazelnuts|noisettes
pecans|pacanes
walnuts|noix de Grenoble
cashews|noix de cajou
pistachios|pistaches
macadamia nuts|noix de macadamia
brazil nuts|noix du Brésil
pine nuts|pignons
peanuts|arachides
peanut butter|beurre d’arachide
peanut oil|huile d’arachide
pumpkin seeds|graines de citrouille
sunflower seeds|graines de tournesol
sesame|sésame
sesame seeds|graines de sésame
tahini|tahini
coconut|noix de coco
coconut cream|crème de coco
coconut milk|lait de coco
coconut oil|huile de coco
palm oil|huile de palme
palm kernel oil|huile de palmiste
vegetable oil|huile végétale
sunflower oil|huile de tournesol
canola oil|huile de canola
raisins|raisins secs
dates|dattes
dried cherries|cerises séchées
sour cherries|cerises acides
cherries|cerises
dried cranberries|canneberges séchées
cranberries|canneberges
apricots|abricots
dried apricots|abricots séchés
blackcurrants|cassis
blackcurrant puree|purée de cassis
raspberries|framboises
strawberries|fraises
orange peel|écorce d’orange
candied orange peel|écorce d’orange confite
lemon juice|jus de citron
ginger|gingembre
candied ginger|gingembre confit
crystallized ginger|gingembre cristallisé
cardamom|cardamome
cinnamon|cannelle
nutmeg|muscade
cloves|clou de girofle
black tea|thé noir
coffee|café
rum|rhum
brandy|brandy
plum brandy|eau-de-vie de prune
whisky|whisky
beer|bière
stout|stout
sulfites|sulfites
sulfur dioxide|anhydride sulfureux
sulphur dioxide|anhydride sulfureux
mustard|moutarde
celery|céleri
spices|épices
preservative|agent de conservation
colour|colorant
alcohol|alcool`;

const known = new Map(
  words.split('\n').map((line): readonly [string, string] => {
    const [english = '', french = ''] = line.split('|');
    return [english, french];
  }),
);

/** What something may be called in French; '' for what is not known. */
export const frenchFor = (english: string): string => known.get(english.trim().toLowerCase()) ?? '';
