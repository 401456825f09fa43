// The page of the player plays what it is for, and goes on with what was heard on the page before.
import { watchKeys } from '../../account/preferences/keys.js'
import { listening, waitToListen } from './listening.js'
import { Player } from './player.js'

const data = JSON.parse(document.getElementById('player-data').textContent)
const before = listening()
const goesOn = before?.plays && before.address === data.small
if (!goesOn) waitToListen()
const player = new Player(data)
player.open().then(() => goesOn && player.playIfAllowed())
watchKeys(document.getElementById('keys'))
