// The page of the reader opens what it is for.
import { watchKeys } from '../../account/preferences/keys.js'
import { Reader } from './reader.js'

new Reader(JSON.parse(document.getElementById('reader-data').textContent)).open()
watchKeys(document.getElementById('keys'))
