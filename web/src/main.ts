import { FIRST, loadWords } from './words'

// The words come first: what is loaded after may say them while it is read.
const preferred = localStorage.getItem('peen.language') ?? FIRST
void loadWords(preferred).then(() => import('./application'))
