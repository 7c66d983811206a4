export { demoJobs, DEMO_IDS } from './jobs';
export { DRIVES, BRIDGES, CABLES, HOSTS } from './shop';
