import { published, type Source } from '../catalogue';

export const NIST = published('NIST SP 811 (2008)', 'Appendix B.8');
export const BY_DEFINITION: Source = published('The quantities’ own definitions', 'SI Brochure, 9th edition (2019)');
