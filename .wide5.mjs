import { chromium } from 'playwright'
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']})
for (const w of [390,320]) { const c = await b.newContext({viewport:{width:w,height:844},bypassCSP:true}); const p = await c.newPage()
await c.addCookies([{name:'library',value:'saltmere',url:'http://127.0.0.1:8080'}])
await p.goto('http://127.0.0.1:8080/catalogue')
console.log(await p.evaluate(()=>{
 const over=()=>document.documentElement.scrollWidth-innerWidth
 const d0=over(); if(d0<=0) return 0; let e=document.body; const path=[]
 outer: while(true){ for(const k of [...e.children]){const o=k.style.display;k.style.setProperty('display','none','important');const d=over();k.style.display=o; if(d<d0){path.push(k.outerHTML.slice(0,200)+' -> '+d);e=k;continue outer}} break}
 return [d0,...path]}))}
await b.close()
