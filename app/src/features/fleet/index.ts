export * from './say';
export { TRAIT_WORD, traitValueWord } from './traits';
export { WORDING } from './wording';
export { Silhouette } from './silhouettes';
export { UnitTagLarge, UnitTagOnWall, UnitTagRow } from './UnitTag';
