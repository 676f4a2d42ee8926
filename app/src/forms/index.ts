export { figure, price, wholeNumber, words } from './fields';
export { FormChoices, FormDateTime, FormField } from './FormField';
export { useSchemaForm } from './useSchemaForm';
export { WriteSheet } from './WriteSheet';
