export { feltOf, type Felt } from './felt';
