export { sceneFor, snapshot, type BeforeCamera, type Standing, type Stands } from './snapshot'
