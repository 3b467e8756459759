import { door } from '../error'
import * as regionsPart from './regions'

export { type RegionId, REGIONS } from './regions'

export const { isRegionId, REGION_IDS, regionName, regionOf } = door(regionsPart)
