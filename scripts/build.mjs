import { prepare } from './prepare.mjs';

prepare();
