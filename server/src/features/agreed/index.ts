export { agreedOf, agreedOfAll, fixAgreed, standardAgreed } from './agreed'
