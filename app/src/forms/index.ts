export { figure, price, wholeNumber, words } from './fields';
export { FormChoices, FormDateTime, FormField } from './FormField';
export { newPin } from './pin';
export { useSchemaForm } from './useSchemaForm';
export { WriteSheet } from './WriteSheet';
