/** An id as a test writes it: of whatever family is asked for where it stands. */
export { asId as ref } from './brand.ts'
