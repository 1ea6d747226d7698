import { withMenus } from '@hum-lever/core';

export { withMenus };
