import { inWorkshop } from '@/places';

export default inWorkshop((place) => place.NumbersRoute);
