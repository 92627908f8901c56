export { removeFolder as default } from './jest-folder.mjs';
