import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useMemo, useState } from "react";
import { Link, NavLink, Outlet, useNavigate } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { forgetSeason } from "../../shared/compute/keptSeason.ts";
import { forgetFloor } from "../floor/keeper/keepFloor.ts";
import { Button } from "../pieces/Button.tsx";
import { useKeys } from "../pieces/keys.ts";
import { Opening } from "../pieces/Opening.tsx";
import { meQuery, setupQuery } from "../queries.ts";
import { NewVersion } from "./NewVersion.tsx";

const SignIn = lazy(async () => ({ default: (await import("./SignIn.tsx")).SignInPage }));
const SetUp = lazy(async () => ({ default: (await import("./SetUp.tsx")).SetUp }));
const OwnSignIn = lazy(async () => ({ default: (await import("./OwnSignIn.tsx")).OwnSignIn }));
const KeysDialog = lazy(async () => ({ default: (await import("./KeysDialog.tsx")).KeysDialog }));
const GoTo = lazy(async () => ({ default: (await import("./GoTo.tsx")).GoTo }));

/** The frame of the desk. Whoever is not signed in gets the sign-in in place, and then what they came for. */
export function Shell() {
  const me = useQuery(meQuery);
  const setup = useQuery(setupQuery);
  if (me.isPending || setup.isPending) return <Opening what="the desk" />;
  if (setup.data?.needed) {
    return (
      <Suspense>
        <SetUp url={setup.data.url} />
      </Suspense>
    );
  }
  const person = me.data?.person;
  if (!person) {
    return (
      <Suspense>
        <SignIn />
      </Suspense>
    );
  }
  return <Desk name={person.name} />;
}

function Desk({ name }: { readonly name: string }) {
  const navigate = useNavigate();
  const [open, setOpen] = useState<"keys" | "go" | "own" | null>(null);
  const keys = useMemo(
    () => [
      { key: "?", words: "list the keys", act: () => setOpen("keys") },
      { key: "/", words: "find or go to", act: () => setOpen("go") },
      { key: "h", words: "season", act: () => void navigate("/") },
    ],
    [navigate],
  );
  useKeys(keys);
  const signOut = async (): Promise<void> => {
    await ask(api["sign-out"].$post());
    await Promise.all([forgetSeason(), forgetFloor()]);
    // A new page: nothing that was read here stays in memory for whoever comes next.
    location.assign("/");
  };
  return (
    <>
      <a className="skip" href="#view">
        Skip to the view
      </a>
      <header className="bar">
        <Link to="/" className="mark">
          <img src="/assets/mark.svg" alt="" />
          Lamp Crate
        </Link>
        <nav aria-label="Main">
          <NavLink to="/" end>
            Season
          </NavLink>
          <NavLink to="/calendar">Calendar</NavLink>
          <NavLink to="/floor">Floor</NavLink>
          <NavLink to="/buying">Buying</NavLink>
          <NavLink to="/store">Store room</NavLink>
          <NavLink to="/house">House</NavLink>
        </nav>
        <div className="right">
          <Button type="text" size="small" onClick={() => setOpen("go")}>
            Find or go to <kbd>/</kbd>
          </Button>
          <Button type="text" size="small" onClick={() => setOpen("keys")}>
            Keys <kbd>?</kbd>
          </Button>
          <Button type="text" size="small" aria-label={`${name}: own sign-in`} onClick={() => setOpen("own")}>
            <strong>{name}</strong>
          </Button>
          <Button type="text" size="small" onClick={() => void signOut()}>
            Sign out
          </Button>
        </div>
      </header>
      <NewVersion />
      <div id="view" tabIndex={-1}>
        <Outlet />
      </div>
      <Suspense>
        {open === "keys" ? <KeysDialog onClose={() => setOpen(null)} /> : null}
        {open === "own" ? <OwnSignIn name={name} onClose={() => setOpen(null)} /> : null}
        {open === "go" ? <GoTo onClose={() => setOpen(null)} /> : null}
      </Suspense>
    </>
  );
}
