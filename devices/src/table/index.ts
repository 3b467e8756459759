export { sceneFor, snapshot, USUAL_WIDTH_PX, type BeforeCamera, type Standing, type Stands } from './snapshot'
