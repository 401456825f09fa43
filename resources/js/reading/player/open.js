// The page of the player plays what it is for.
import { watchKeys } from '../../account/preferences/keys.js'
import { Player } from './player.js'

new Player(JSON.parse(document.getElementById('player-data').textContent)).open()
watchKeys(document.getElementById('keys'))
