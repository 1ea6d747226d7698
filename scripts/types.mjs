/** Types of everything, tests too. */
import { checkedTypes, tool } from './common.mjs';

tool('typescript-native/bin/tsc', '-b', 'core', 'server');
for (const command of checkedTypes) tool(...command);
