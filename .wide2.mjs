import { chromium } from 'playwright'
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']})
const c = await b.newContext({viewport:{width:390,height:844},bypassCSP:true}); const p = await c.newPage()
await c.addCookies([{name:'library',value:'saltmere',url:'http://127.0.0.1:8080'}])
await p.route(/woff2/,r=>r.abort())
for (const path of ['/','/libraries','/catalogue','/titles/1','/sign-in']) {
await p.goto('http://127.0.0.1:8080'+path)
await p.addStyleTag({content:'*{font-family:"DejaVu Sans",sans-serif !important}'})
console.log(path, await p.evaluate(()=>document.documentElement.scrollWidth-innerWidth))
console.log(await p.evaluate(()=>{const out=[];const w=document.createTreeWalker(document.body,NodeFilter.SHOW_TEXT);while(w.nextNode()){const r=document.createRange();r.selectNodeContents(w.currentNode);for(const q of r.getClientRects()) if(q.right>innerWidth&&q.width>1) out.push([w.currentNode.textContent.trim().slice(0,40),q.right, w.currentNode.parentElement.className])}return out}))
if(path=='/') await p.screenshot({path:'/tmp/w/wide.png'})
}
await b.close()
