export { menuAdvice, type MenuAdvice } from './advice.ts';
export { listenForHold, menuSchemeEdit, schemeFor } from './choose.ts';
export {
  bestScheme,
  compareMenuSchemes,
  orderByUse,
  tryDepths,
  type Breadth,
  type DepthTried,
  type Reordered,
  type SchemeFigures,
} from './compare.ts';
export { differences, madeThings, openedOut, outlinedMenus, withMenus, type Difference } from './expand.ts';
export { beginOf, costOf, menuFigures, type ItemFigures, type MenuFigures } from './figures.ts';
export { meansOf, type Means } from './means.ts';
export { Outline, type Entry } from './outline.ts';
export { budgetsOf, type Budget } from './S05.snag.ts';
export { missingRoles, schemeOf, schemes, type Scheme } from './scheme.ts';
export { effortOf, stepsTo, Ways, type Effort, type Stroke } from './ways.ts';
export {
  addIntervalEdit,
  fitsInterval,
  intervalSums,
  intervalTerms,
  termOf,
  type Interval,
  type IntervalSums,
  type IntervalTerm,
} from './interval.ts';
