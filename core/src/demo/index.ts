export * from './campaigns';
export * from './books';
export * from './photographs';
export { demoHouse } from './house';
export { foxfire } from './foxfire';
export { mossGarden } from './moss-garden';
export { smallHours } from './small-hours';
export { snowfall } from './snowfall';
export * from './neighbours';
