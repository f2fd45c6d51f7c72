import { chromium } from '@playwright/test';
const [,, url, out, w='1280', h='800', ...acts] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-dev-shm-usage','--disable-background-networking'] });
const p = await b.newPage({ viewport: { width: +w, height: +h }, colorScheme: process.env.DARK ? 'dark' : 'light' });
p.on('console', m => { if (m.type()==='error'||m.type()==='warning') console.log('CONSOLE', m.text().slice(0,300)); });
p.on('pageerror', e => console.log('PAGEERROR', e.message.slice(0,300)));
await p.goto(url); await p.waitForLoadState('networkidle');
for (const a of acts) { const [k, v] = a.split('=>'); if (k==='key') await p.keyboard.press(v); else if (k==='click') await p.getByRole('button',{name:v}).first().click(); else if (k==='text') await p.getByText(v).first().click(); else if (k==='fill') { const [l,t]=v.split('::'); await p.getByLabel(l).first().fill(t);} await p.waitForTimeout(350); }
await p.screenshot({ path: out, fullPage: !!process.env.FULL }); await b.close();
