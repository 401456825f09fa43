// The page of the reader opens what it is for.
import { Reader } from './reader.js'

new Reader(JSON.parse(document.getElementById('reader-data').textContent)).open()
