import type { RecipeDraft, Swap } from '@usual-pantry/core/recipe';
import { Column, Entity, JoinColumn, ManyToOne, OneToMany, PrimaryColumn, type Relation } from 'typeorm';

@Entity('recipe')
export class RecipeRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text', { select: false }) searchText: string;
  @Column('text') name: string;
  @Column('simple-json') yield: RecipeDraft['yield'];
  @Column('simple-json') batchSizes: number[];
  @Column('boolean') anySize: boolean;
  @Column('real') handsMinutes: number;
  @Column('integer') keepsDays: number;
  @Column('integer') restDays: number;
  @Column('text') method: string;
  @Column('simple-json') steps: RecipeDraft['steps'];
  @Column('text') foaming: RecipeDraft['foaming'];
  @Column('boolean') grains: boolean;
  @Column('boolean') hygroscopic: boolean;
  @Column('simple-json') air: RecipeDraft['air'];
  @Column('simple-json', { nullable: true }) stands: RecipeDraft['stands'];
  @Column('text') alcohol: RecipeDraft['alcohol'];
  @Column('simple-json') weighedYields: RecipeDraft['weighedYields'];
  @Column('text', { nullable: true }) variantOfId: string | null;
  @Column('simple-json', { nullable: true }) variantSwaps: Swap[] | null;
  @OneToMany(() => RecipeLineRow, (line) => line.recipe) lines: Relation<RecipeLineRow>[];
}

@Entity('recipe_line')
export class RecipeLineRow {
  @PrimaryColumn('text') recipeId: string;
  @PrimaryColumn('integer') position: number;
  @Column('text', { nullable: true }) ingredientId: string | null;
  @Column('text', { nullable: true }) componentId: string | null;
  @Column('real') amount: number;
  @Column('text') unit: RecipeDraft['lines'][number]['unit'];
  @Column('text', { nullable: true }) state: string | null;
  @Column('text') note: string;
  @Column('boolean') afterCook: boolean;
  @Column('integer', { nullable: true }) atStep: number | null;
  @Column('text', { nullable: true }) alcohol: RecipeDraft['lines'][number]['alcohol'];
  @ManyToOne(() => RecipeRow, (recipe) => recipe.lines)
  @JoinColumn({ name: 'recipeId' })
  recipe: Relation<RecipeRow>;
}

/** A recipe as it was before an edit. */
@Entity('recipe_version')
export class RecipeVersionRow {
  @PrimaryColumn('text') recipeId: string;
  @PrimaryColumn('integer') version: number;
  @Column('text') replacedOn: string;
  @Column('simple-json') draft: RecipeDraft;
}
