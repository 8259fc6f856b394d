import { launchBrowser } from './browser.mjs';
const base='http://127.0.0.1:4800';
export async function withBrowser(fn){const b=await launchBrowser();try{await fn(b);}finally{await b.close();}}
export async function as(b,name,{width=1280,height=800,dark=false}={}){
  const ctx=await b.newContext({viewport:{width,height},colorScheme:dark?'dark':'light'});
  const page=await ctx.newPage();
  if(name){
    const {people}=await (await ctx.request.get(base+'/api/demo/people')).json();
    const p=people.find(x=>x.name===name);
    await ctx.request.post(base+'/api/demo/sign-in',{data:{accountId:p.accounts[0].id},headers:{Origin:base}});
  }
  return {ctx,page,base};
}
export async function clock(ctx,date,time){await ctx.request.post(base+'/api/demo/clock',{data:{date,time},headers:{Origin:base}});}
