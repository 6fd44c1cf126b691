export { cabNext, type CabAction, type CabInput, type LoadBefore } from './cab-next.js';
export { byDisplay, holdersOf, lastDumpMs, lately, sleptThrough, undoable } from './view.js';
