import { expose } from 'comlink';
import { tallyCards } from '../persist/cards';
import { lookThrough } from '../persist/look-through';

const api = { lookThrough, tallyCards };

export type ShelfApi = typeof api;
expose(api);
