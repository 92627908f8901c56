export { aims, type Aim, composeBox, type ComposeWish, type Composition } from './compose.js';
