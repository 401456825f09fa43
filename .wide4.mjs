import { chromium } from 'playwright'
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']})
for (const w of [390,320,1280]) { const c = await b.newContext({viewport:{width:w,height:844},bypassCSP:true}); const p = await c.newPage()
await p.goto('http://127.0.0.1:8080/sign-in'); await c.addCookies([{name:'library',value:'saltmere',url:'http://127.0.0.1:8080'}])
await p.goto('http://127.0.0.1:8080/sign-in'); await p.fill('#number','21000001'); await p.fill('#pin','4071'); await p.click('main form button'); await p.waitForURL('**/porch')
for (const path of ['/','/libraries','/catalogue','/titles/1','/porch','/loans','/holds','/notices']) {
await p.goto('http://127.0.0.1:8080'+path)
const r = await p.evaluate(()=>{const w=document.createTreeWalker(document.querySelector('main'),NodeFilter.SHOW_TEXT);const ns=[];while(w.nextNode())ns.push(w.currentNode);const out=[];for(const n of ns){ if(!n.textContent.trim())continue;const t=n.textContent;n.textContent='Unaussprechlichkeitsvermutungsverordnung';const o=document.documentElement.scrollWidth-innerWidth;if(o>0&&!n.parentElement.closest('select,option'))out.push(n.parentElement.outerHTML.slice(0,120)+o);n.textContent=t}return [document.documentElement.scrollWidth-innerWidth,out.slice(0,6)]})
console.log(w,path,JSON.stringify(r)) }
await c.close()}
await b.close()
