"use client";
import { format } from "date-fns";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type Said, send } from "@/client/send";
import { SaidBox } from "../controls/SaidBox";

export interface DeviceLine {
  id: string;
  name: string;
  address: string;
  openedAt: string;
  seenAt: string;
}
const when = (iso: string) => format(new Date(iso), "EEE d MMM HH:mm");

/** The bench network: open or off, its passcode and names, and who is let in. At the machine itself. */
export function NetworkForm({
  on,
  hasPasscode,
  addresses,
  hosts,
  devices,
}: {
  on: boolean;
  hasPasscode: boolean;
  addresses: string[];
  hosts: string[];
  devices: DeviceLine[];
}) {
  const router = useRouter();
  const [passcode, setPasscode] = useState("");
  const [names, setNames] = useState(hosts.join(", "));
  const [net, setNet] = useState<Said | null>(null);
  const network = async (turnOn: boolean) => {
    const list = names.split(/[,\s]+/).filter(Boolean);
    const r = await send("POST", "/api/network", { on: turnOn, hosts: list, ...(passcode ? { passcode } : {}) });
    setNet(
      r.ok
        ? { ok: true, words: turnOn ? "The bench network is open." : "The bench network is closed. Every device is signed out." }
        : r.said,
    );
    if (r.ok) setPasscode("");
    router.refresh();
  };
  const end = async (id: string | null) => {
    const r = await send("POST", "/api/devices", { id });
    setNet(r.ok ? { ok: true, words: id ? "That device is signed out." : "Every device is signed out." } : r.said);
    router.refresh();
  };
  const plain = !addresses.some((a) => a.startsWith("https:"));
  return (
    <section className="flex flex-col gap-3" data-section="network">
      <h2 className="sec">Bench network: {on ? "open" : "off"}</h2>
      <p className="q">
        Off, only this machine reaches Helvane. Open, tablets and the machine under test reach it too: with the passcode, or
        without it only the test patterns at /pattern.
      </p>
      {plain && (
        <p className="q">
          Without a certificate everything goes over the network as it is: whoever listens there reads the passcode, names and
          photos. Use a network only the shop is on, or give a certificate (see the page on keeping a shop).
        </p>
      )}
      {on && (
        <ul className="mono">
          {addresses.map((a) => (
            <li key={a}>
              {a} <span className="q">patterns at {a}/pattern</span>
            </li>
          ))}
        </ul>
      )}
      <label className="field">
        <span>{hasPasscode ? "New passcode (signs every device out)" : "Passcode, 6 characters or more"}</span>
        <input
          type="password"
          autoComplete="new-password"
          value={passcode}
          onChange={(e) => setPasscode(e.target.value)}
          minLength={6}
          maxLength={64}
        />
      </label>
      <label className="field">
        <span>Other names this machine is reached under</span>
        <input className="mono" value={names} placeholder="none" maxLength={400} onChange={(e) => setNames(e.target.value)} />
        <span className="hint">Its own name and addresses are known. Any other name in the address line is turned away.</span>
      </label>
      <SaidBox said={net} />
      <div className="flex gap-2">
        <button type="button" className="btn" onClick={() => void network(true)}>
          {on ? "Keep open with these" : "Open the bench network"}
        </button>
        {on && (
          <button type="button" className="btn" onClick={() => void network(false)}>
            Close it
          </button>
        )}
      </div>
      {devices.length > 0 && (
        <>
          <h3>Devices let in</h3>
          <ul className="rows" data-list="devices">
            {devices.map((d) => (
              <li key={d.id}>
                <span className="grow">
                  <b>{d.name}</b>, {d.address}
                  <br />
                  <span className="q">
                    since {when(d.openedAt)}, last seen {when(d.seenAt)}
                  </span>
                </span>
                <button type="button" className="btn" onClick={() => void end(d.id)}>
                  Sign out
                </button>
              </li>
            ))}
          </ul>
          <button type="button" className="btn quiet self-start" onClick={() => void end(null)}>
            Sign every device out
          </button>
        </>
      )}
    </section>
  );
}

/** For a device of the bench network: leave it. */
export function SignOut() {
  const [wrong, setWrong] = useState(false);
  return (
    <section className="flex flex-col gap-3">
      <h2 className="sec">This device</h2>
      <p className="q">Acts that are not sent yet stay on it and go over when it is let in again.</p>
      <SaidBox said={wrong ? { ok: false, words: "The server was not reached: this device is still signed in." } : null} />
      <button
        type="button"
        className="btn self-start"
        onClick={() =>
          void fetch("/api/unlock", { method: "DELETE" }).then(
            (r) => (r.ok ? location.assign("/unlock") : setWrong(true)),
            () => setWrong(true),
          )
        }
      >
        Sign this device out
      </button>
    </section>
  );
}
