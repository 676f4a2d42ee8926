export { figure, price, wholeNumber, words } from './fields';
export { FormChoices, FormField } from './FormField';
export { useSchemaForm } from './useSchemaForm';
