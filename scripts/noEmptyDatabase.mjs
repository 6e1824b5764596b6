export { remove as default } from './emptyDatabase.mjs';
