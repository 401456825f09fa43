// The page of the player plays what it is for.
import { Player } from './player.js'

new Player(JSON.parse(document.getElementById('player-data').textContent)).open()
