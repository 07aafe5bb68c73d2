/** Acts as clients of the bench send them: each with an id and a clock of its own. */
export const uuid = (n: number, tail = "0000") => `0190eeee-${tail}-7000-8000-${n.toString(16).padStart(12, "0")}`;
export const clockAt = (ms: number, n: number) => `${String(ms).padStart(15, "0")}-${String(n).padStart(6, "0")}`;
let made = 0;
export const note = (jobId: string, device: string, seen = 0) => {
  made += 1;
  return {
    id: uuid(made),
    jobId,
    type: "job.noted",
    v: 1,
    payload: { text: `act ${made}` },
    who: "Bench",
    device,
    clock: clockAt(Date.now(), made % 1_000_000),
    seen,
  };
};
export const send = (url: string, event: { jobId: string }) =>
  fetch(`${url}/api/jobs/${event.jobId}/events`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ events: [event] }),
  });
