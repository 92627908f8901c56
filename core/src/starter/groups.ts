/** Plain ingredients that are looked for together. */
export interface StarterGroup {
  readonly title: string;
  /** Words that all of them are looked for by, beside their names. */
  readonly words: string;
  readonly names: readonly string[];
}

/** The starter pantry by groups: each of its ingredients is in one. */
// prettier-ignore
export const starterGroups: readonly StarterGroup[] = [
  { title: 'Sugars and syrups', words: 'sweetener', names: ['Granulated sugar', 'Caster sugar', 'Icing sugar', 'Light brown sugar', 'Dark brown sugar', 'Demerara sugar', 'Maple syrup', 'Honey', 'Golden syrup', 'Glucose syrup', 'Light corn syrup', 'Molasses', 'Dextrose powder', 'Invert sugar syrup'] },
  { title: 'Butter, cream, milk', words: 'dairy', names: ['Unsalted butter', 'Salted butter', 'Heavy cream', 'Double cream', 'Whole milk', 'Evaporated milk', 'Sweetened condensed milk', 'Whole milk powder', 'Cream cheese'] },
  { title: 'Chocolate and cocoa', words: 'chips callets couverture bar', names: ['Dark chocolate 70 %', 'Dark chocolate 55 %', 'Milk chocolate', 'White chocolate', 'Cocoa butter', 'Cocoa powder', 'Cocoa nibs', 'Compound coating'] },
  { title: 'Nuts and seeds', words: '', names: ['Almonds', 'Hazelnuts', 'Pecans', 'Walnuts', 'Pistachios', 'Cashews', 'Macadamias', 'Brazil nuts', 'Roasted peanuts', 'Peanut butter', 'Hazelnut praline paste', 'Marzipan', 'Pumpkin seeds', 'Sesame seeds', 'Tahini'] },
  { title: 'Coconut', words: '', names: ['Coconut cream', 'Coconut milk', 'Coconut oil', 'Desiccated coconut'] },
  { title: 'Flour, grain, biscuit', words: 'cereal starch cookie', names: ['Rolled oats', 'Plain flour', 'Self-raising flour', 'Cornstarch', 'Malted milk powder', 'Digestive biscuit crumbs', 'Crisped rice', 'Wafer flakes', 'Marshmallows'] },
  { title: 'Egg and what sets', words: 'gelling', names: ['Egg white', 'Egg yolk', 'Gelatine powder', 'Aquafaba'] },
  { title: 'Fruit', words: 'dried candied', names: ['Raspberries', 'Blackcurrant puree', 'Dried sour cherries', 'Dates', 'Raisins', 'Candied ginger', 'Candied orange peel', 'Lemon juice'] },
  { title: 'Flavours, spirits, spices', words: 'alcohol liquor spice flavoring', names: ['Vanilla extract', 'Plum brandy', 'Dark rum', 'Whisky', 'Cream liqueur', 'Stout', 'Black tea leaves', 'Instant coffee', 'Ground cinnamon', 'Ground cardamom'] },
  { title: 'Salt, raising, oil, water', words: '', names: ['Water', 'Table salt', 'Flaked sea salt', 'Baking soda', 'Cream of tartar', 'Citric acid', 'Sunflower oil'] },
];
