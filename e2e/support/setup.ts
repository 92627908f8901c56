import { makeDemo } from './kitchen';

export default makeDemo;
