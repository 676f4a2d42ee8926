import { inOffice } from '@/places';

export default inOffice((place) => place.SetUpScreen);
