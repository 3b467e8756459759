import { loadWords } from './words'

// The words come first: what is loaded after may say them while it is read.
void loadWords().then(() => import('./application'))
