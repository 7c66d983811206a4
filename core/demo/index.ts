export { demoJobs, DEMO_IDS } from './jobs';
