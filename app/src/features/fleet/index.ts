export * from './say';
export { Silhouette } from './silhouettes';
export { UnitTagLarge, UnitTagOnWall, UnitTagRow } from './UnitTag';
