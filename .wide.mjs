import { chromium } from 'playwright'
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']})
for (const font of [1,0]) for (const w of [390,320]) for (const lang of ['en','es']) {
const c = await b.newContext({viewport:{width:w,height:844},bypassCSP:true}); const p = await c.newPage()
await c.addCookies([{name:'library',value:'saltmere',url:'http://127.0.0.1:8080'},{name:'language',value:lang,url:'http://127.0.0.1:8080'}])
if(!font) await p.route(/woff2/,r=>r.abort())
for (const path of ['/','/libraries','/catalogue','/titles/1','/sign-in']) {
await p.goto('http://127.0.0.1:8080'+path)
const f = async()=>p.evaluate(()=>({d:document.documentElement.scrollWidth-innerWidth, els:[...document.querySelectorAll('body *')].filter(e=>e.getBoundingClientRect().right>innerWidth+0.5).slice(0,8).map(e=>e.tagName+'.'+e.className+' '+e.getBoundingClientRect().right)}))
const r=await f(); if(r.d>0) console.log(font,w,lang,path,JSON.stringify(r))
}
await c.close()}
await b.close()
