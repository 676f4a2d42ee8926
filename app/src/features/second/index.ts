export { photosOf, secondIn, SecondPerson, type Second } from './SecondPerson';
