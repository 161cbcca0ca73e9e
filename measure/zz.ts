import { withApp, withBrowser, withShell, timesToBench } from './page';
(async()=>{ await withBrowser(b=>withShell('/work/main/.cache/shell/dist',async s=>withApp(async a=>{ for(const r of [1]){const t=await timesToBench(b,{shell:s,app:a},r,15); console.log(r,t.ratio.toFixed(2),t.shell.median.toFixed(0),t.app.median.toFixed(0));} })));})();
