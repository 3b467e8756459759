import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import { useSessionStore } from './stores/session'

const routes: RouteRecordRaw[] = [
  { path: '/', redirect: '/floor' },
  { path: '/sign-in', component: () => import('./views/SignIn.vue'), meta: { open: true } },
  { path: '/setup', component: () => import('./views/SetUp.vue'), meta: { open: true } },
  { path: '/welcome/:token', component: () => import('./views/WelcomeDoor.vue'), props: true, meta: { open: true } },
  { path: '/floor', component: () => import('./views/FloorRoom.vue'), meta: { place: 'floor' } },
  { path: '/day/:on?', component: () => import('./views/DayPlan.vue'), props: true, meta: { place: 'floor' } },
  { path: '/room', component: () => import('./views/RoomSetUp.vue'), meta: { place: 'floor' } },
  { path: '/people', component: () => import('./views/PeopleRoom.vue'), meta: { place: 'apprentices' } },
  { path: '/visits/:id/:part?', component: () => import('./views/VisitSheet.vue'), props: true, meta: { place: 'floor' } },
  { path: '/table/:id', component: () => import('./views/TableWork.vue'), props: true, meta: { place: 'floor' } },
  { path: '/table/:id/end', component: () => import('./views/TableEnd.vue'), props: true, meta: { place: 'floor' } },
  { path: '/wall', component: () => import('./views/CohortWall.vue'), meta: { place: 'apprentices' } },
  { path: '/apprentices', component: () => import('./views/ApprenticeList.vue'), meta: { place: 'apprentices' } },
  { path: '/apprentices/:id', component: () => import('./views/ApprenticeRecord.vue'), props: true, meta: { place: 'apprentices' } },
  { path: '/dogs', component: () => import('./views/DogList.vue'), meta: { place: 'dogs' } },
  { path: '/dogs/:id', component: () => import('./views/DogPlate.vue'), props: true, meta: { place: 'dogs' } },
  { path: '/dogs/:id/profile', component: () => import('./views/DogProfile.vue'), props: true, meta: { place: 'dogs' } },
  { path: '/dogs/:id/adviser', component: () => import('./views/DogAdviser.vue'), props: true, meta: { place: 'dogs' } },
  { path: '/coat', component: () => import('./views/CoatList.vue'), meta: { place: 'coat' } },
  { path: '/coat/:id/:part?', component: () => import('./views/CoatRoom.vue'), props: true, meta: { place: 'coat' } },
  { path: '/trims', component: () => import('./views/TrimList.vue'), meta: { place: 'trims' } },
  { path: '/trims/:id', component: () => import('./views/TrimSheet.vue'), props: true, meta: { place: 'trims' } },
  { path: '/trims/:id/measure/:seen?', component: () => import('./views/MeasureRoom.vue'), props: true, meta: { place: 'trims' } },
  { path: '/techniques/:id?', component: () => import('./views/TechniqueRoom.vue'), props: true, meta: { place: 'trims' } },
  { path: '/standards', component: () => import('./views/StandardRoom.vue'), meta: { place: 'trims' } },
  { path: '/standards/:id/:version?', component: () => import('./views/StandardSheet.vue'), props: true, meta: { place: 'trims' } },
  { path: '/standard-drafts/:id', component: () => import('./views/StandardDesk.vue'), props: true, meta: { place: 'trims' } },
  { path: '/plates', component: () => import('./views/PlateRoom.vue'), meta: { place: 'trims' } },
  { path: '/plates/:trim', component: () => import('./views/PlateBench.vue'), props: true, meta: { place: 'trims' } },
  { path: '/rack', component: () => import('./views/ToolRack.vue'), meta: { place: 'trims' } },
  { path: '/house-rules', component: () => import('./views/HouseRules.vue'), meta: { place: 'trims' } },
  { path: '/rules/:id?', component: () => import('./views/RuleRoom.vue'), props: true, meta: { place: 'certify' } },
  { path: '/assessments', component: () => import('./views/AssessmentRoom.vue'), meta: { place: 'certify' } },
  { path: '/assessments/:id', component: () => import('./views/AssessmentSheet.vue'), props: true, meta: { place: 'certify' } },
  { path: '/pass-marks', component: () => import('./views/PassMarks.vue'), meta: { place: 'certify' } },
  { path: '/certify', component: () => import('./views/CertifyList.vue'), meta: { place: 'certify' } },
  { path: '/certify/:id', component: () => import('./views/FindingSheet.vue'), props: true, meta: { place: 'certify' } },
  { path: '/:rest(.*)*', component: () => import('./views/NotHere.vue'), meta: { place: '' } }
]

export const router = createRouter({ history: createWebHistory(), routes })

router.beforeEach(async (to) => {
  const session = useSessionStore()
  await session.find()
  if (!session.me && session.needsSetup && to.path !== '/setup') return '/setup'
  if (!session.me && !to.meta.open) return { path: '/sign-in', query: { to: to.fullPath } }
  if (session.me && to.meta.open) return '/floor'
  return true
})
