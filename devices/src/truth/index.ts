export { truthOf, type Truth } from './truth'
