// Asking a site for pages and timing the answers: what the load scripts here share.

// Signs in as quality and gives the cookie.
export async function signIn(base) {
  const form = await fetch(`${base}/sign-in`);
  const cookie = form.headers.get("set-cookie").split(";")[0];
  const token = (await form.text()).match(/name="_csrf"[^>]*value="([^"]+)"/)[1];
  const answer = await fetch(`${base}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { cookie, "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ username: "quality", password: "quality", _csrf: token }),
  });
  return answer.headers.get("set-cookie").split(";")[0];
}

// Asks for a page: how long the answer took and how large it was.
export async function open(base, cookie, path) {
  const start = performance.now();
  const answer = await fetch(base + path, { headers: { cookie } });
  const body = await answer.text();
  if (answer.status !== 200) throw new Error(`${path} answered ${answer.status}`);
  return [performance.now() - start, Buffer.byteLength(body)];
}

// Asks for a page so many times, one after another, and prints median, 95th percentile and size.
export async function time(base, cookie, path, figure, count = 200) {
  const times = [];
  let bytes = 0;
  for (let i = 0; i < count; i++) {
    const [took, size] = await open(base, cookie, path);
    bytes = size;
    times.push(took);
  }
  times.sort((a, b) => a - b);
  const at = (share) => times[Math.ceil(share * times.length) - 1].toFixed(1);
  console.log(`${figure}_median ${at(0.5)} ms`);
  console.log(`${figure}_p95 ${at(0.95)} ms`);
  console.log(`${figure}_size ${(bytes / 1024).toFixed(0)} kB`);
}
