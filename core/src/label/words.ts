/**
 * The words of a label in each language. A language is one entry of this table and of the allergen words; figures of the EU
 * table are named as Annex XV of Regulation (EU) 1169/2011 names them in that language. The US panel is in English by law
 * (21 CFR 101.15(c)); where another language is asked for, the rest of the label is in it.
 */
import type { FactId } from '../nutrition';

export const LANGUAGES = ['en', 'es', 'fr'] as const;
export type Language = (typeof LANGUAGES)[number];
export const LANGUAGE_NAMES: Readonly<Record<Language, string>> = {
  en: 'English',
  es: 'Spanish',
  fr: 'French',
};

export interface LabelWords {
  /** Mark between whole and fraction in figures of the EU table. */
  decimalMark: '.' | ',';
  figures: Readonly<Partial<Record<FactId, string>>>;
  nutrition: string;
  per100g: string;
  perPortion: (grams: string) => string;
  portion: (grams: string) => string;
  referenceIntake: string;
  referenceIntakeNote: string;
  atLeast: string;
  ingredients: string;
  contains: string;
  mayContain: string;
  notConfirmed: string;
  otherAllergens: string;
  notRecorded: string;
  allergensInCapitals: string;
  noneDeclared: string;
  made: string;
  useBy: string;
  batch: string;
  weight: string;
  keep: string;
  allergens: string;
  forWhom: string;
  texture: string;
  draft: string;
  openPoints: (count: number) => string;
  caution: string;
  ask: string;
  treeNuts: string;
  askDietitian: string;
}

const en: LabelWords = {
  decimalMark: '.',
  figures: {
    energyKj: 'Energy',
    energyKcal: 'Energy',
    sodiumMg: 'Sodium',
    potassiumMg: 'Potassium',
    phosphorusMg: 'Phosphorus',
    fatG: 'Fat',
    saturatesG: 'of which saturates',
    availableCarbohydrateG: 'Carbohydrate',
    sugarsG: 'of which sugars',
    fibreG: 'Fibre',
    proteinG: 'Protein',
    saltG: 'Salt',
  },
  nutrition: 'Nutrition',
  per100g: 'per 100 g',
  perPortion: (grams) => `per portion (${grams} g)`,
  portion: (grams) => `1 portion, ${grams} g`,
  referenceIntake: '% RI*',
  referenceIntakeNote: '* Reference intake of an average adult (8400 kJ / 2000 kcal)',
  atLeast: 'at least',
  ingredients: 'Ingredients',
  contains: 'Contains',
  mayContain: 'May contain',
  notConfirmed: 'Not confirmed',
  otherAllergens: 'other allergens of packs that nobody has checked',
  notRecorded: 'ingredients not recorded',
  allergensInCapitals: 'Allergens: see the ingredients in CAPITALS.',
  noneDeclared: 'No declared allergen in the ingredients.',
  made: 'Made',
  useBy: 'Use by',
  batch: 'Batch',
  weight: 'Weight',
  keep: 'Keep at 5 °C or below',
  allergens: 'Allergens',
  forWhom: 'For',
  texture: 'Texture',
  draft: 'DRAFT',
  openPoints: (count) =>
    count === 0
      ? 'DRAFT - not released'
      : `DRAFT - not for use: ${count} open ${count === 1 ? 'point' : 'points'}`,
  caution:
    'Calculated from recipe weights and reference data. Check against your local food law and the packs before use.',
  ask: 'Ask us about allergens before you order.',
  treeNuts: 'Tree nuts',
  askDietitian: 'Figures are estimates. For a diet, ask the dietitian.',
};

const es: LabelWords = {
  decimalMark: ',',
  figures: {
    energyKj: 'Valor energético',
    energyKcal: 'Valor energético',
    sodiumMg: 'Sodio',
    potassiumMg: 'Potasio',
    phosphorusMg: 'Fósforo',
    fatG: 'Grasas',
    saturatesG: 'de las cuales saturadas',
    availableCarbohydrateG: 'Hidratos de carbono',
    sugarsG: 'de los cuales azúcares',
    fibreG: 'Fibra alimentaria',
    proteinG: 'Proteínas',
    saltG: 'Sal',
  },
  nutrition: 'Información nutricional',
  per100g: 'por 100 g',
  perPortion: (grams) => `por porción (${grams} g)`,
  portion: (grams) => `1 porción, ${grams} g`,
  referenceIntake: '% IR*',
  referenceIntakeNote: '* Ingesta de referencia de un adulto medio (8400 kJ / 2000 kcal)',
  atLeast: 'al menos',
  ingredients: 'Ingredientes',
  contains: 'Contiene',
  mayContain: 'Puede contener',
  notConfirmed: 'Sin confirmar',
  otherAllergens: 'otros alérgenos de envases que nadie ha comprobado',
  notRecorded: 'ingredientes sin registrar',
  allergensInCapitals: 'Alérgenos: véanse los ingredientes en MAYÚSCULAS.',
  noneDeclared: 'Ningún alérgeno declarado en los ingredientes.',
  made: 'Elaborado',
  useBy: 'Fecha de caducidad',
  batch: 'Lote',
  weight: 'Peso',
  keep: 'Conservar a 5 °C o menos',
  allergens: 'Alérgenos',
  forWhom: 'Para',
  texture: 'Textura',
  draft: 'BORRADOR',
  openPoints: (count) =>
    count === 0
      ? 'BORRADOR - sin autorizar'
      : `BORRADOR - no utilizar: ${count} ${count === 1 ? 'punto pendiente' : 'puntos pendientes'}`,
  caution:
    'Calculado a partir de pesos de receta y datos de referencia. Compruébelo con la legislación alimentaria local y los envases antes de usarlo.',
  ask: 'Consúltenos sobre los alérgenos antes de pedir.',
  treeNuts: 'Frutos de cáscara',
  askDietitian: 'Las cifras son estimaciones. Para una dieta, consulte al dietista.',
};

const fr: LabelWords = {
  decimalMark: ',',
  figures: {
    energyKj: 'Énergie',
    energyKcal: 'Énergie',
    sodiumMg: 'Sodium',
    potassiumMg: 'Potassium',
    phosphorusMg: 'Phosphore',
    fatG: 'Matières grasses',
    saturatesG: 'dont acides gras saturés',
    availableCarbohydrateG: 'Glucides',
    sugarsG: 'dont sucres',
    fibreG: 'Fibres alimentaires',
    proteinG: 'Protéines',
    saltG: 'Sel',
  },
  nutrition: 'Déclaration nutritionnelle',
  per100g: 'pour 100 g',
  perPortion: (grams) => `par portion (${grams} g)`,
  portion: (grams) => `1 portion, ${grams} g`,
  referenceIntake: '% AR*',
  referenceIntakeNote: '* Apport de référence pour un adulte-type (8400 kJ / 2000 kcal)',
  atLeast: 'au moins',
  ingredients: 'Ingrédients',
  contains: 'Contient',
  mayContain: 'Peut contenir',
  notConfirmed: 'Non confirmé',
  otherAllergens: "d'autres allergènes d'emballages que personne n'a vérifiés",
  notRecorded: 'ingrédients non enregistrés',
  allergensInCapitals: 'Allergènes : voir les ingrédients en MAJUSCULES.',
  noneDeclared: 'Aucun allergène déclaré dans les ingrédients.',
  made: 'Préparé le',
  useBy: 'À consommer jusqu’au',
  batch: 'Lot',
  weight: 'Poids',
  keep: 'Conserver à 5 °C ou moins',
  allergens: 'Allergènes',
  forWhom: 'Pour',
  texture: 'Texture',
  draft: 'BROUILLON',
  openPoints: (count) =>
    count === 0
      ? 'BROUILLON - non validé'
      : `BROUILLON - ne pas utiliser : ${count} ${count === 1 ? 'point ouvert' : 'points ouverts'}`,
  caution:
    "Calculé à partir des poids de la recette et de données de référence. À vérifier avec la législation alimentaire locale et les emballages avant l'emploi.",
  ask: 'Renseignez-vous sur les allergènes avant de commander.',
  treeNuts: 'Fruits à coque',
  askDietitian: 'Les chiffres sont des estimations. Pour un régime, consultez le diététicien.',
};

export const LABEL_WORDS: Readonly<Record<Language, LabelWords>> = { en, es, fr };

/** A figure's text in a language: "at least 4.1 g" is "al menos 4,1 g". Only the EU table is put into other languages. */
export function figureInLanguage(text: string, language: Language): string {
  const { decimalMark, atLeast } = LABEL_WORDS[language];
  const said = text.replace(/^at least /, `${atLeast} `);
  return decimalMark === ',' ? said.replace(/(\d)\.(\d)/g, '$1,$2') : said;
}
