export * from './model';
export { COARSE, SMOOTH } from './bound';
export * from './make';
export { boxSolid, prismOfCircle, prismSolid } from './draft';
export * from './pages';
export * from './paper';
export { CASE_BOARD_MM, slipcase } from './boxes';
