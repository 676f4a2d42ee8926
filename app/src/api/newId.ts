/** A random UUID, also where the page is not served securely (a phone on the yard's plain network). */
export { v4 as newId } from 'uuid';
