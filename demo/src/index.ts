export { NOW, PASSWORD, TODAY } from './cast'
export { playDemo } from './play'
