import { createRouter, createWebHistory, type RouteMeta, type RouteRecordRaw } from 'vue-router'
import { useSessionStore } from './stores/session'

const routes: RouteRecordRaw[] = [
  { path: '/', redirect: '/floor' },
  { path: '/sign-in', component: () => import('./door/SignIn.vue'), meta: { title: 'Sign in', open: true } },
  { path: '/setup', component: () => import('./door/SetUp.vue'), meta: { title: 'A new school', open: true } },
  {
    path: '/welcome/:token',
    component: () => import('./door/WelcomeDoor.vue'),
    props: true,
    meta: { title: 'Choose your password', open: true }
  },
  { path: '/floor', component: () => import('./floor/FloorRoom.vue'), meta: { title: 'Floor', place: 'floor' } },
  { path: '/day/:on?', component: () => import('./day/DayPlan.vue'), props: true, meta: { title: 'The day', place: 'floor' } },
  { path: '/room', component: () => import('./day/RoomSetUp.vue'), meta: { title: 'Room and tools', place: 'floor' } },
  { path: '/people', component: () => import('./people/PeopleRoom.vue'), meta: { title: 'People', place: 'apprentices' } },
  { path: '/visits/:id/:part?', component: () => import('./visit/VisitSheet.vue'), props: true, meta: { title: 'Visit', place: 'floor' } },
  { path: '/table/:id', component: () => import('./table/TableWork.vue'), props: true, meta: { title: 'Table', place: 'floor' } },
  {
    path: '/table/:id/end',
    component: () => import('./table/TableEnd.vue'),
    props: true,
    meta: { title: 'End of a table', place: 'floor' }
  },
  { path: '/settings', component: () => import('./door/SettingsRoom.vue'), meta: { place: 'settings', title: 'Your settings' } },
  { path: '/wall', component: () => import('./wall/CohortWall.vue'), meta: { title: 'The cohort at a glance', place: 'apprentices' } },
  {
    path: '/apprentices',
    component: () => import('./apprentice/ApprenticeList.vue'),
    meta: { title: 'Apprentices', place: 'apprentices' }
  },
  {
    path: '/apprentices/:id',
    component: () => import('./apprentice/ApprenticeRecord.vue'),
    props: true,
    meta: { title: 'Apprentice', place: 'apprentices' }
  },
  { path: '/dogs', component: () => import('./dogs/DogList.vue'), meta: { title: 'Dogs', place: 'dogs' } },
  { path: '/dogs/:id', component: () => import('./dogs/DogRoom.vue'), props: true, meta: { title: 'Dog', place: 'dogs' } },
  {
    path: '/dogs/:id/profile',
    component: () => import('./dogs/DogProfile.vue'),
    props: true,
    meta: { title: 'What is known of a dog', place: 'dogs' }
  },
  {
    path: '/dogs/:id/adviser',
    component: () => import('./dogs/DogAdviser.vue'),
    props: true,
    meta: { title: 'Which tool where', place: 'dogs' }
  },
  { path: '/coat', component: () => import('./coat/CoatList.vue'), meta: { title: 'Coats', place: 'coat' } },
  { path: '/coat/:id/:part?', component: () => import('./coat/CoatRoom.vue'), props: true, meta: { title: 'Coat', place: 'coat' } },
  { path: '/trims', component: () => import('./grading/TrimList.vue'), meta: { title: 'Trims', place: 'trims' } },
  { path: '/trims/:id', component: () => import('./grading/TrimSheet.vue'), props: true, meta: { title: 'Grading', place: 'trims' } },
  {
    path: '/trims/:id/measure/:seen?',
    component: () => import('./measure/MeasureRoom.vue'),
    props: true,
    meta: { title: 'On photographs', place: 'trims' }
  },
  {
    path: '/techniques/:id?',
    component: () => import('./library/TechniqueRoom.vue'),
    props: true,
    meta: { title: 'Techniques', place: 'trims' }
  },
  { path: '/standards', component: () => import('./library/StandardRoom.vue'), meta: { title: 'Library of trims', place: 'trims' } },
  {
    path: '/standards/:id/:version?',
    component: () => import('./library/StandardSheet.vue'),
    props: true,
    meta: { title: 'Trim', place: 'trims' }
  },
  {
    path: '/standard-drafts/:id',
    component: () => import('./library/StandardDesk.vue'),
    props: true,
    meta: { title: 'Draft of a trim', place: 'trims' }
  },
  { path: '/plates', component: () => import('./figure/PlateRoom.vue'), meta: { title: 'Plates', place: 'trims' } },
  { path: '/plates/:trim', component: () => import('./figure/PlateBench.vue'), props: true, meta: { title: 'Plate', place: 'trims' } },
  { path: '/rack', component: () => import('./library/ToolRack.vue'), meta: { title: 'The rack', place: 'trims' } },
  { path: '/house-rules', component: () => import('./library/HouseRules.vue'), meta: { title: 'House rules', place: 'trims' } },
  {
    path: '/rules/:id?',
    component: () => import('./certify/RuleRoom.vue'),
    props: true,
    meta: { title: 'Rules of evidence', place: 'certify' }
  },
  { path: '/assessments', component: () => import('./grading/AssessmentRoom.vue'), meta: { title: 'Two assessors', place: 'certify' } },
  {
    path: '/assessments/:id',
    component: () => import('./grading/AssessmentSheet.vue'),
    props: true,
    meta: { title: 'Two marks of one trim', place: 'certify' }
  },
  { path: '/pass-marks', component: () => import('./grading/PassMarks.vue'), meta: { title: 'Pass marks', place: 'certify' } },
  { path: '/trail', component: () => import('./people/TrailRoom.vue'), meta: { title: 'The trail', place: 'certify' } },
  { path: '/backups', component: () => import('./people/BackupsRoom.vue'), meta: { title: 'Backups', place: 'certify' } },
  { path: '/certify', component: () => import('./certify/CertifyList.vue'), meta: { title: 'Certify', place: 'certify' } },
  {
    path: '/certify/:id',
    component: () => import('./certify/FindingSheet.vue'),
    props: true,
    meta: { title: 'Finding', place: 'certify' }
  },
  { path: '/:rest(.*)*', component: () => import('./door/NotHere.vue'), meta: { place: '' } }
]

/** What a page is called in the browser's tab. */
export const titleOf = ({ meta }: { readonly meta: RouteMeta }): string => (meta.title as string | undefined) ?? 'Not here'

export const router = createRouter({ history: createWebHistory(), routes })

router.beforeEach(async (to) => {
  const session = useSessionStore()
  await session.find()
  if (!session.me && session.needsSetup && to.path !== '/setup') return '/setup'
  if (!session.me && !to.meta.open) return { path: '/sign-in', query: { to: to.fullPath } }
  if (session.me && to.meta.open) return '/floor'
  // an apprentice's record is their own, not a list of one
  if (session.me && !session.isStaff && to.path === '/apprentices') return `/apprentices/${session.me.id}`
  return true
})
