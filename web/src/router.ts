import { createRouter, createWebHistory, type RouteMeta, type RouteRecordRaw } from 'vue-router'
import { useSessionStore } from './stores/session'
import { allWords, t } from './words'

const routes: RouteRecordRaw[] = [
  { path: '/', redirect: '/floor' },
  { path: '/sign-in', component: () => import('./door/SignIn.vue'), meta: { title: t('shell.sign'), open: true } },
  { path: '/setup', component: () => import('./door/SetUp.vue'), meta: { title: t('door.setUpYourSchool'), open: true } },
  {
    path: '/welcome/:token',
    component: () => import('./door/WelcomeDoor.vue'),
    props: true,
    meta: { title: t('shell.chooseYourPassword'), open: true }
  },
  { path: '/floor', component: () => import('./floor/FloorRoom.vue'), meta: { title: t('shell.floor'), place: 'floor' } },
  { path: '/day/:on?', component: () => import('./day/DayPlan.vue'), props: true, meta: { title: t('shell.day'), place: 'floor' } },
  {
    path: '/calendar/:show?/:on?',
    component: () => import('./calendar/CalendarRoom.vue'),
    props: true,
    meta: { title: t('shell.calendar'), place: 'floor' }
  },
  { path: '/room', component: () => import('./day/RoomSetUp.vue'), meta: { title: t('shell.roomTools'), place: 'floor' } },
  { path: '/people', component: () => import('./people/PeopleRoom.vue'), meta: { title: t('shell.people'), place: 'apprentices' } },
  {
    path: '/visits/:id/:part?',
    component: () => import('./visit/VisitSheet.vue'),
    props: true,
    meta: { title: t('shell.visit'), place: 'floor' }
  },
  { path: '/table/:id', component: () => import('./table/TableWork.vue'), props: true, meta: { title: t('shell.table'), place: 'floor' } },
  {
    path: '/table/:id/end',
    component: () => import('./table/TableEnd.vue'),
    props: true,
    meta: { title: t('shell.endTable'), place: 'floor' }
  },
  { path: '/settings', component: () => import('./door/SettingsRoom.vue'), meta: { place: 'settings', title: t('shell.yourSettings') } },
  { path: '/glossary', component: () => import('./help/GlossaryRoom.vue'), meta: { title: t('shell.glossary'), place: 'settings' } },
  { path: '/ready', component: () => import('./supply/SupplyRoom.vue'), meta: { title: t('shell.readyByDate'), place: 'apprentices' } },
  { path: '/wall', component: () => import('./wall/CohortWall.vue'), meta: { title: t('shell.cohortGlance'), place: 'apprentices' } },
  {
    path: '/apprentices',
    component: () => import('./apprentice/ApprenticeList.vue'),
    meta: { title: t('shell.apprentices'), place: 'apprentices' }
  },
  {
    path: '/apprentices/:id',
    component: () => import('./apprentice/ApprenticeRecord.vue'),
    props: true,
    meta: { title: t('shell.apprentice'), place: 'apprentices' }
  },
  { path: '/dogs', component: () => import('./dogs/DogList.vue'), meta: { title: t('shell.dogs'), place: 'dogs' } },
  { path: '/dogs/:id', component: () => import('./dogs/DogRoom.vue'), props: true, meta: { title: t('shell.dog'), place: 'dogs' } },
  {
    path: '/dogs/:id/profile',
    component: () => import('./dogs/DogProfile.vue'),
    props: true,
    meta: { title: t('shell.aboutDog'), place: 'dogs' }
  },
  {
    path: '/dogs/:id/adviser',
    component: () => import('./dogs/DogAdviser.vue'),
    props: true,
    meta: { title: t('shell.toolsPlace'), place: 'dogs' }
  },
  { path: '/coat', component: () => import('./coat/CoatList.vue'), meta: { title: t('shell.coats'), place: 'coat' } },
  {
    path: '/coat/:id/:part?',
    component: () => import('./coat/CoatRoom.vue'),
    props: true,
    meta: { title: t('shell.coat'), place: 'coat' }
  },
  { path: '/trims', component: () => import('./grading/TrimList.vue'), meta: { title: t('shell.trims'), place: 'trims' } },
  {
    path: '/trims/:id',
    component: () => import('./grading/TrimSheet.vue'),
    props: true,
    meta: { title: t('shell.grading'), place: 'trims' }
  },
  {
    path: '/trims/:id/measure/:seen?',
    component: () => import('./measure/MeasureRoom.vue'),
    props: ({ params, query }) => ({ ...params, of: query.of }),
    meta: { title: t('shell.photographs'), place: 'trims' }
  },
  {
    path: '/techniques/:id?',
    component: () => import('./library/TechniqueRoom.vue'),
    props: true,
    meta: { title: t('shell.techniques'), place: 'trims' }
  },
  { path: '/standards', component: () => import('./library/StandardRoom.vue'), meta: { title: t('shell.trimLibrary'), place: 'trims' } },
  {
    path: '/standards/:id/:version?',
    component: () => import('./library/StandardSheet.vue'),
    props: true,
    meta: { title: t('shell.trim'), place: 'trims' }
  },
  {
    path: '/standard-drafts/:id',
    component: () => import('./library/StandardDesk.vue'),
    props: true,
    meta: { title: t('shell.draftTrim'), place: 'trims' }
  },
  { path: '/plates', component: () => import('./figure/PlateRoom.vue'), meta: { title: t('shell.plates'), place: 'trims' } },
  {
    path: '/plates/:trim',
    component: () => import('./figure/PlateBench.vue'),
    props: true,
    meta: { title: t('shell.plate'), place: 'trims' }
  },
  { path: '/rack', component: () => import('./library/ToolRack.vue'), meta: { title: t('shell.rack'), place: 'trims' } },
  { path: '/house-rules', component: () => import('./library/HouseRules.vue'), meta: { title: t('shell.houseRules'), place: 'trims' } },
  {
    path: '/rules/:id?',
    component: () => import('./certify/RuleRoom.vue'),
    props: true,
    meta: { title: t('shell.rulesEvidence'), place: 'certify' }
  },
  {
    path: '/assessments',
    component: () => import('./grading/AssessmentRoom.vue'),
    meta: { title: t('shell.twoAssessors'), place: 'certify' }
  },
  {
    path: '/assessments/:id',
    component: () => import('./grading/AssessmentSheet.vue'),
    props: true,
    meta: { title: t('shell.twoMarksOneTrim'), place: 'certify' }
  },
  { path: '/pass-marks', component: () => import('./grading/PassMarks.vue'), meta: { title: t('shell.passMarks'), place: 'certify' } },
  { path: '/trail', component: () => import('./people/TrailRoom.vue'), meta: { title: t('shell.auditTrail'), place: 'certify' } },
  { path: '/backups', component: () => import('./people/BackupsRoom.vue'), meta: { title: t('shell.backups'), place: 'certify' } },
  {
    path: '/check/:number?/:code?',
    component: () => import('./check/CheckRoom.vue'),
    props: true,
    meta: { title: t('shell.checkCertificate'), place: 'certify', anyone: true }
  },
  {
    path: '/portfolio',
    component: () => import('./portfolio/PortfolioRoom.vue'),
    meta: { title: t('shell.portfolio'), place: 'apprentices' }
  },
  {
    path: '/portfolio/:id/:secret',
    component: () => import('./portfolio/PortfolioPage.vue'),
    props: true,
    meta: { title: t('shell.portfolio'), place: 'apprentices', anyone: true }
  },
  { path: '/certify', component: () => import('./certify/CertifyList.vue'), meta: { title: t('shell.certify'), place: 'certify' } },
  {
    path: '/certify/:id',
    component: () => import('./certify/FindingSheet.vue'),
    props: true,
    meta: { title: t('shell.finding'), place: 'certify' }
  },
  { path: '/:rest(.*)*', component: () => import('./door/NotHere.vue'), meta: { place: '' } }
]

/** What a page is called in the browser's tab. */
export const titleOf = ({ meta }: { readonly meta: RouteMeta }): string => (meta.title as string | undefined) ?? t('shell.pageNotFound')

export const router = createRouter({ history: createWebHistory(), routes })

router.beforeEach(async (to) => {
  const session = useSessionStore()
  // a screen behind the door may say anything
  if (!to.meta.open) await allWords()
  await session.find()
  // a certificate is checked, and a portfolio read, with an account or without
  if (to.meta.anyone) return true
  if (!session.me && session.needsSetup && to.path !== '/setup') return '/setup'
  if (!session.me && !to.meta.open) return { path: '/sign-in', query: { to: to.fullPath } }
  if (session.me && to.meta.open) return '/floor'
  // an apprentice shows their own work
  if (session.isStaff && to.path === '/portfolio') return '/apprentices'
  if (session.me && !session.isStaff && to.path === '/ready') return '/floor'
  // an apprentice's record is their own, not a list of one
  if (session.me && !session.isStaff && to.path === '/apprentices') return `/apprentices/${session.me.id}`
  return true
})
