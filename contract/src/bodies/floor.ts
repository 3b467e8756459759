import {
  correctVisitSchema,
  moveVisitSchema,
  newTableSchema,
  newVisitSchema,
  roomSchema,
  swapSchema,
  tablePlaceSchema,
  tableToolsSchema,
  type CorrectVisit,
  type MoveVisit,
  type NewTable,
  type NewVisit,
  type Room,
  type Swap,
  type TablePlace,
  type TableTools
} from '../floor/day'
import { eventBatchSchema, type EventBatch } from '../floor/events'
import { houseRulesSchema, roundsSchema, type HouseRules, type Rounds } from '../people/school'
import {
  chosenSchema,
  closingSchema,
  foundSchema,
  gateSchema,
  type NewChosen,
  type NewClosing,
  type NewFound,
  type NewGate
} from '../floor/visits'
import { takes } from './takes'

export const floorBodies = {
  chooseHouseRules: takes<HouseRules>()(houseRulesSchema),
  keepRoom: takes<Room>()(roomSchema),
  keepRounds: takes<Rounds>()(roundsSchema),
  placeTable: takes<TablePlace>()(tablePlaceSchema),
  addTable: takes<NewTable>()(newTableSchema),
  setTableTools: takes<TableTools>()(tableToolsSchema),
  planVisit: takes<NewVisit>()(newVisitSchema),
  moveVisit: takes<MoveVisit>()(moveVisitSchema),
  correctVisit: takes<CorrectVisit>()(correctVisitSchema),
  swapVisits: takes<Swap>()(swapSchema),
  recordEvents: takes<EventBatch>()(eventBatchSchema),
  keepFound: takes<NewFound>()(foundSchema),
  sayReady: takes<NewGate>()(gateSchema),
  keepChosen: takes<NewChosen>()(chosenSchema),
  closeVisit: takes<NewClosing>()(closingSchema)
}
