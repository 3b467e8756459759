// Tests read the screens in the first language.
import { FIRST, loadWords } from '../words'

await loadWords(FIRST)
