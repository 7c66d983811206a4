export { SHOP } from './shop';
export { DRIVES } from './drives';
export { BRIDGES, HUBS } from './boxes';
export { CABLES, ACCESSORIES } from './leads';
export { HOSTS } from './hosts';
