// The page of the reader opens what it is for.
import { watchKeys } from '../../account/preferences/keys.js'
import { waitToListen } from '../player/listening.js'
import { Reader } from './reader.js'

waitToListen()
new Reader(JSON.parse(document.getElementById('reader-data').textContent)).open()
watchKeys(document.getElementById('keys'))
