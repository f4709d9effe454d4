import { buildDemo } from '../scripts/setup.mjs';

/** Before all tests: the demo books, which many of them stand on. */
export default buildDemo;
