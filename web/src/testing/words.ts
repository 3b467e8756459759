// Tests read the screens in the first language.
import { allWords, loadWords } from '../words'

await loadWords('en-GB')
await allWords()
