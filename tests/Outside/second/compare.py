#!/usr/bin/env python3
"""Holds a Hollin checkout against the second judge. Run from the checkout's root; see README.md beside this file."""
import argparse
import json
import os
import subprocess
import sys
import tempfile

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
from judge import direct, facts, flow  # noqa: E402
from judge import rig as reading  # noqa: E402
from judge.rig import val  # noqa: E402
from judge.states import Network, settings, settle  # noqa: E402
import draw  # noqa: E402

RULES = {"joined": "joined_sources", "short": "short_circuit", "bond_none": "bond_count", "bond_two": "bond_count", "bond_half": "bond_count",
         "live_pins": "live_pins", "charging_loop": "charging_loop", "unlike": "unlike_parallel", "dc_short": "dc_short"}
# Copper: the most a breaker may be (NFPA 70 240.4(D)), and what the 90 °C column of table 310.16 ends at. From memory.
SURE_A = {"awg:14": 15, "awg:12": 20, "awg:10": 30}
NEVER_A = {"awg:14": 25, "awg:12": 30, "awg:10": 40}
LASTS_S = 0.5  # a state on the way counts when it lasts so long


PHP = ["php", "-d", "pcov.enabled=0", "artisan", "hollin:ask"]


def ask(path, views):
    """The program's answers to every view, as hollin:check gives them, or a word why there is none."""
    with open(path) as f:
        doc = json.load(f)
    questions = [{"kind": kind, "doc": doc, "view": v} for v in views for kind in ("answer", "flows")]
    r = subprocess.run(PHP, input=json.dumps(questions), capture_output=True, text=True)
    try:
        said = json.loads(r.stdout)
    except ValueError:
        return None, " ".join((r.stdout or r.stderr).split())[:160] or "nothing"
    answers = {}
    for n, v in enumerate(views):
        answer, flows = said[2 * n], said[2 * n + 1]
        for x in (answer, flows):
            if "ok" not in x:
                return None, json.dumps(x)[:200]
        answers[v] = {**answer["ok"], "flows": flows["ok"]}
    return {"answers": answers}, None


def said(finding, parts):
    """The hazards a finding speaks of, in the judge's words."""
    c, rule, title = finding["components"], finding["rule"], finding["title"].lower()
    kind = {"joined_sources": "joined", "live_pins": "live_pins", "unlike_parallel": "unlike", "charging_loop": "charging_loop"}.get(rule)
    if rule == "bond_count":
        if "no neutral" in title:
            return ("bond_none", frozenset(c[:1]))
        if "half" in title:
            return ("bond_half", frozenset(c[:2]))
        return ("bond_two", frozenset(c[:1] if parts.get(c[0], {}).get("type") == "panel" else c[:2]))
    return (kind, frozenset(c[:1] if kind == "live_pins" else c[:2])) if kind else None


def words(h):
    return f"{h[0]} {'+'.join(sorted(h[1]))}"


def unseen(ways):
    """What hangs on what went before, or on a relay that a hand or a fault has moved, is not looked at here."""
    return "by what went before" in ways["words"] or ", once " in ways["words"]


def moved(rig, named, controls, surroundings, state_id):
    base = next(s for s in named if s["id"] == state_id)
    diff = [f"{d}={p}" for d, p in controls.items() if p != base["controls"].get(d, rig.normal[d])]
    diff += [f"{d}={p}" for d, p in surroundings.items() if p != base["surroundings"].get(d, "good")]
    return state_id + (f" with {', '.join(diff)}" if diff else "")


class View:
    def __init__(self, parts, answer):
        self.rig, self.a = reading.Rig(parts), answer
        self.network = Network(self.rig)
        self.named = [{**s, "positions": {d: p["position"] for d, p in answer["paint"][s["id"]]["positions"].items()}} for s in answer["states"]]
        self.out, self.asked = [], 0

    def check(self, ok, fact):
        self.asked += 1
        if not ok:
            self.out.append(fact)

    def judge(self):
        self.known()
        for s in self.named:
            self.state(s)
        self.ways()
        self.witnesses()
        self.battery_side()
        for s, scenarios in self.a.get("flows", {}).items():
            for sc, f in scenarios.items():
                broken = list(flow.laws(self.rig, f))
                self.check(not broken, f"figures:{s}/{sc}: {'; '.join(broken[:2])}")
        return self.out

    def known(self):
        theirs = {c["id"]: set(c["positions"]) for c in self.a["controls"]}
        for d, ps in self.rig.controls.items():
            self.check(d in theirs and set(ps) == theirs[d], f"control {d}: {sorted(ps)}, said {sorted(theirs.get(d, []))}")

    def setting(self, s):
        rig = self.rig
        controls = {d: s["controls"].get(d, rig.normal[d]) for d in rig.controls}
        surroundings = {c: s["surroundings"].get(c, "good") for c in rig.surroundings}
        # A witness has no rest of its own: what goes by volts stands where it says.
        return controls, surroundings, {d: p for d, p in s.get("positions", s["controls"]).items() if d in rig.told}

    def at_rest(self, s):
        return settle(self.network, *self.setting(s))[0]

    def state(self, s):
        rest, sid, rig = self.at_rest(s), s["id"], self.rig
        if rest is None:
            self.check(any(f["rule"] == "restless" for f in self.a["findings"]), f"{sid}: goes back and forth by itself; not said")
            return
        for d in rig.autos:
            self.check(rest.at[d] == s["positions"].get(d), f"{sid}: {d} comes to rest at {rest.at[d]}, said {s['positions'].get(d)}")
        paint = self.a["paint"][sid]
        letters = {b["source"]: b["component"] for b in paint["bonds"]}
        for row in self.a["table"]:
            cell = row["cells"].get(sid)
            kinds, by = facts.cell(rest, row["circuit"])
            ok = cell["kind"] in kinds and (cell["kind"] != "works" or letters.get(cell["source"]) in by)
            self.check(ok, f"{sid}: {row['circuit']} is {'/'.join(sorted(kinds))} by {'+'.join(sorted(by)) or 'nothing'}, said {cell['kind']} by {letters.get(cell['source'])}")
        self.without_load(sid, rest)
        theirs = {b["component"]: sorted(b["at"]) for b in paint["bonds"]}
        mine = {q["component"]: facts.bonds_of(rest, q) for q, _ in rest.running}
        self.check(theirs == mine, f"{sid}: bonds of what is energised {mine}, said {theirs}")
        for component, plug, hot, neutral in rig.pins:
            bare, sure, may = facts.pins(rest, component, plug, hot, neutral)
            p = paint["pins"].get(component)
            ok = p is not None and p["bare"] == bare and (not bare or sure <= set(p["live"]) <= sure | may)
            self.check(ok, f"{sid}: pins of {component} bare={bare} live={sorted(sure)}{' perhaps ' + str(sorted(may)) if may else ''}, said {p and (p['bare'], p['live'])}")
        for c in facts.open_grounds(rest):
            self.check(any(f["rule"] == "ground_continuity" for f in self.a["findings"]), f"{sid}: the ground of {c} does not reach what feeds it; no finding")

    def without_load(self, sid, rest):
        """The table and the solved figures say the same: what works has volts before anything is switched on, what is dead has none."""
        figures = self.a.get("flows", {}).get(sid, {}).get("none", {})
        trouble = {h[0] for h in facts.hazards(rest)} & {"joined", "short", "bond_half"}
        floating = any(not facts.bonds_of(rest, q) for q, _ in rest.running)  # then a meter finds ghosts
        cells = {row["circuit"]: row["cells"][sid]["kind"] for row in self.a["table"]}
        for i, x in figures.get("loads", {}).items() if figures.get("converged") and not trouble else ():
            kind = cells.get(x["circuit"])
            if kind == "works" or kind == "dead" and not floating:
                self.check(x["volts"] > 80 if kind == "works" else x["volts"] < 1, f"{sid}: {x['circuit']} is said to be {'in work' if kind == 'works' else 'dead'}, {i} without load has {x['volts']:.1f} V")

    def turns(self):
        """From a named state at rest to another in which one thing at most that a hand moves stands otherwise."""
        for s in self.named:
            start = self.at_rest(s)
            for t in self.named if start else ():
                controls, surroundings, told = self.setting(t)
                if s is not t and sum(start.at[d] != p for d, p in controls.items()) <= 1:
                    yield start, (f"{t['id']} right after {s['id']}", controls, surroundings, told)

    def ways(self):
        rest, passing, maybe = {}, {}, {}
        for slips, exact, sid, controls, surroundings, told in settings(self.network, self.named):
            end, way = settle(self.network, controls, surroundings, told)
            key = (slips, 0 if exact else 1)
            for state in way:
                last = state is end
                if not last and (state.lasts or 0) < LASTS_S:
                    continue
                for h in facts.hazards(state) | (direct.hazards(self.rig, state) if last else set()):
                    if h[0].startswith("maybe_"):
                        h = h[0][6:], h[1]
                        maybe[h] = min(key, maybe.get(h, key))
                        continue
                    book = rest if last else passing
                    if h not in book or key < book[h][0]:
                        book[h] = key, moved(self.rig, self.named, controls, surroundings, sid), state.lasts
        for start, goal in self.turns():
            end, way = settle(self.network, *goal[1:], before=start)
            for state in way[:-1]:
                for h in facts.hazards(state) if (state.lasts or 0) >= LASTS_S else ():
                    if not h[0].startswith("maybe_") and h not in passing:
                        passing[h] = (0, 1), goal[0], state.lasts
        theirs, byVolts = {}, {}
        for f in self.a["findings"]:
            w = f["ways"]
            h = said(f, self.rig.parts)
            if h is None or w["kind"] == "outside" or unseen(w):
                continue
            key = (min(p["slips"] for p in w["pairs"] if not p["failures"]), w["kind"])
            # What closed by volts may stay so where it would not close: nearer than this judge sees.
            byVolts[h] = byVolts.get(h) or " by itself" in w["words"]
            if h not in theirs or key < theirs[h]:
                theirs[h] = key
        aside = {frozenset(f["components"]) for f in self.a["findings"] if RULES["dc_short"] == f["rule"] or RULES["short"] == f["rule"]}
        for h, (key, where, _) in rest.items():
            if h[0] in ("short", "dc_short"):
                self.check(any(h[1] & c for c in aside), f"missing: {words(h)} in {where}")
                continue
            t = theirs.get(h)
            self.check(t is not None, f"missing: {words(h)} in {where}")
            if t is not None:
                exact = byVolts.get(h) or t[0] == key[0] and (t[1] == "always") == (key == (0, 0))
                self.check(exact or maybe.get(h, key) < key and t[0] <= key[0],
                           f"way of {words(h)}: {key[0]} slips{', a named state as it stands' if key == (0, 0) else ''} in {where}; said {t[1]}, {t[0]} slips")
        for h, (key, where, lasts) in passing.items():
            if h not in rest:
                self.check(h in theirs or h in maybe, f"missing while passing: {words(h)} for {lasts:g} s in {where}")
        for h, t in theirs.items():
            if h not in rest and h not in maybe and t[0] < 2 and t[1] not in ("remote", "passing"):  # passing: see witnesses
                self.check(h in passing, f"too much: {words(h)} said {t[1]}, {t[0]} slips; not found so near")
        for p in self.a["prevented"]:
            for h, (key, where, _) in rest.items():
                if RULES.get(h[0]) != p["rule"] or h[0] == "bond_half" or (h[0] == "bond_none") != ("no bond" in p["title"]) and p["rule"] == "bond_count":
                    continue
                names = [self.rig.parts[c]["label"].lower() for c in h[1]]
                if ":" not in p["title"] and " pins of " not in p["title"] or all(n in p["title"].lower() for n in names):
                    self.check(" while " in p["title"] and not any(n in p["title"].lower() for n in names),
                               f"said to be impossible: {p['title']} ({p['words']}); it comes about: {words(h)} in {where}")

    def witnesses(self):
        for f in self.a["findings"]:
            h, w = said(f, self.rig.parts), f["witness"]
            if h is None or f["ways"]["kind"] == "outside" or unseen(f["ways"]) or not w or w.get("controls") is None:
                continue
            controls, surroundings, _ = self.setting(w)
            told = self.setting(next((s for s in self.named if s["id"] == w["state"]), w))[2]
            starts = [None] + ([self.at_rest(s) for s in self.named] if f["ways"]["kind"] == "passing" else [])
            held = set()
            for start in starts:
                for s in settle(self.network, controls, surroundings, told, start)[1]:
                    held |= facts.hazards(s) | direct.hazards(self.rig, s)
            self.check(h in held or ("maybe_" + h[0], h[1]) in held, f"witness of {words(h)} ({f['ways']['kind']}) does not show it")

    def battery_side(self):
        rig, found = self.rig, self.a["findings"]
        of = lambda rule: [f for f in found if f["rule"] == rule and f["ways"]["kind"] != "outside"]  # noqa: E731
        leads = {e.component: e for e in rig.dc if e.kind == "lead"}
        engine = {c for c, e in leads.items() if any(t == x[0] for t in (e.a, e.b) for x in rig.givers.values() if x[2] == "alternator")}
        ways = {b: direct.unfused(rig, b) for b in rig.batteries}
        for u in direct.wrong_volts(rig):
            self.check(any(u in f["components"] for f in of("dc_polarity")), f"{u} is made for other volts than its batteries have; not said")
        fuses = {e.component: e for e in rig.dc if e.kind == "fuse" and rig.parts[e.component]["type"] == "dc_fuse"}
        cp = of("conductor_protection")
        for b, by in ways.items():
            for lead, metres in by.items():
                if metres > direct.LONGEST_M and not leads[lead].sheathed and lead not in engine and leads[lead].pole == "positive":
                    self.check(any({lead, b} <= set(f["components"]) for f in cp), f"{lead} ends {metres:.2f} m from {b} before any fuse; no finding about it")
        for f in cp:
            if f["title"] == "Lead without a fuse":
                lead, b = f["components"][:2]
                self.check(b in ways and lead in ways[b], f"{lead} is said to have no fuse before it from {b}; every way has one")
                for g in f["figures"]:
                    if g["label"] == "Unfused length" and lead in ways.get(b, {}):
                        self.check(abs(g["value"] - ways[b][lead]) <= .02, f"{lead} ends {ways[b][lead]:.2f} m from {b}, said {g['value']:.2f} m")
            for g in f["figures"]:
                lead = leads.get(f["components"][0])
                if g["label"] == "Device ahead of it" and lead is not None and lead.pole == "positive":
                    most = max(direct.largest_ahead(rig, lead), direct.given_amps(rig))
                    self.check(g["value"] <= most + .01, f"{lead.component} has at most {most:g} A ahead of it (smallest in series, or all chargers), said {g['value']:g} A")
        for c, e in leads.items():
            most, never = direct.largest_ahead(rig, e), direct.never_above(e.mm2)
            tap = e.length <= direct.LONGEST_M and any(t in (e.a, e.b) for x in fuses.values() for t in (x.a, x.b))
            if e.pole == "positive" and c not in engine and not tap and never and never * 1.25 < most < float("inf"):
                self.check(any(c in f["components"] for f in cp), f"{c} of {e.mm2:g} mm² has {most:g} A ahead of it, more than any table grants; no finding about it")
        self.branches(cp)
        self.returns()
        life = of("life_safety")
        for u, (kind, behind) in direct.safety(rig).items():
            mine = [f for f in life if f["components"][0] == u]
            if kind == "dead":
                self.check(any(f["title"] == "Life safety without a supply" for f in mine), f"{u} has no battery however switches stand; not said")
            elif kind == "behind":
                self.check(any(behind & set(f["components"]) for f in mine), f"{u} is dead when {' or '.join(sorted(behind))} opens; not said")
            else:
                if kind == "managed":
                    self.check(mine, f"{u} hangs on batteries that can all open by themselves; not said")
                for f in mine:
                    self.check(len(f["components"]) != 2 or kind == "dead", f"{u} is said to be dead while {f['components'][1:]} opens; a battery still feeds it")
        dump = of("load_dump")
        for alt, (by, switches) in direct.alternators(rig).items():
            if len(by) == 1 and all(rig.batteries[b]["managed"] for b in by):
                self.check(any({alt, *by} <= set(f["components"]) for f in dump), f"{alt} has no battery left when the management of {'+'.join(by)} opens; not said")
            for d in switches:
                self.check(any({alt, d} <= set(f["components"]) for f in dump), f"{alt} has no battery left when {d} is opened; not said")
        for sel in direct.turns(rig):
            self.check(any(sel in f["components"] for f in of("turned_through_both")), f"{sel} joins unlike batteries on the turn; not said")
        for shunt, (fixed, ever) in direct.around_shunts(rig).items():
            about = [f for f in of("shunt_bypassed") if f["components"][0] == shunt and "second way" in f["text"]]
            self.check(about or not fixed, f"{shunt} has a second way around it; not said")
            self.check(ever or not about, f"{shunt} is said to have a second way around it; there is none")
            if not fixed:
                before = direct.uncounted(rig).get(shunt, set())
                heard = {c for f in of("shunt_bypassed") if f["components"][0] == shunt for c in f["components"][1:]}
                self.check(before <= heard or ever, f"{sorted(before)} land on the battery side of {shunt}; said {sorted(heard)}")
        one, wrong = direct.returns(rig)
        for c in one:
            self.check(any(c in f["components"] for f in of("dc_return") + life), f"{c} has one lead to a battery and no way home; not said")
        for c in wrong:
            self.check(any(c in f["components"] for f in of("dc_polarity")), f"{c} stands the wrong way round on a battery; not said")
        shorts = [(f["components"][0], g) for f in of("interrupting_capacity") for g in f["figures"] if g["label"] == "Prospective short circuit"]
        shorts += [(s["fuse"]["fitted"], s["fuse"]["short"]) for s in self.a["sizes"] if s.get("fuse") and s["fuse"].get("short")]
        for c, g in shorts:
            fuse = fuses.get(c)
            bounds = fuse and direct.short_bounds(rig, fuse)
            if bounds:
                self.check(bounds[0] * .9 <= g["value"] <= bounds[1] * 1.05, f"short behind {fuse.component}: between {bounds[0]:.0f} and {bounds[1]:.0f} A, said {g['value']:.0f} A")


    def branches(self, cp):
        """120 V branches behind a breaker of their own, by bounds that every table keeps: NFPA 70 240.4(D) below, the 90 °C column above."""
        for c, p in self.rig.parts.items():
            cable = val(p.get("cable")) if p["type"] == "circuit" else None
            size, breaker = val((cable or {}).get("size")), val(p.get("breakerA"))
            # Fed from its far end by a cord it has another device ahead, or none.
            backfed = any(q["type"] == "double_male_cord" and q.get("circuit") == c for q in self.rig.parts.values())
            if backfed or size not in SURE_A or not breaker or (val(cable.get("parallel")) or 1) > 1:
                continue
            mine = [f for f in cp if f["components"][:1] == [c] and f["severity"] == "danger"]
            if breaker > NEVER_A[size]:
                self.check(mine, f"{c}, {size} behind a breaker of {breaker:g} A, more than any table grants; no danger said")
            if breaker <= SURE_A[size] and not any(k in cable for k in ("ambientC", "bundled", "insulationC")):
                self.check(not mine, f"{c}, {size} behind a breaker of {breaker:g} A as every practice has it; said to be a danger")


    def returns(self):
        """A circuit whose hot lands in one panel and its neutral in another: its current does not come home the way it went."""
        told = {c for f in self.a["findings"] if f["rule"] in ("split_return", "live_pins", "lost_circuit") for c in f["components"]}
        lives = {row["circuit"] for row in self.a["table"] if any(cell["kind"] != "dead" for cell in row["cells"].values())}
        for c, p in self.rig.parts.items():
            hot, neutral = (p.get("hot"), p.get("neutral")) if p["type"] == "circuit" else (None, None)
            if isinstance(hot, dict) and isinstance(neutral, dict) and hot.get("panel") and neutral.get("panel") and c in lives:
                if hot["panel"] != neutral["panel"]:
                    self.check(c in told, f"{c} is fed from {hot['panel']} and its neutral lands on {neutral['panel']}; not said")


def folded(lines):
    """The same sentence about several states becomes one."""
    out = {}
    for vid, x in lines:
        state, sep, rest = x.partition(": ")
        one = sep and " " not in state
        out.setdefault((vid, rest if one else x), []).extend([state] if one else [])
    return [(vid, ", ".join(states) + ": " if states else "", x) for (vid, x), states in out.items()]


def main():
    p = argparse.ArgumentParser(description="Hold the program against the second judge; run from a checkout's root.")
    p.add_argument("files", nargs="*")
    p.add_argument("--seed", type=int, default=1)
    p.add_argument("--count", type=int, default=0, help="how many rigs to draw")
    p.add_argument("--keep", default="disagreements", help="folder for rigs about which the two disagree")
    p.add_argument("--without", action="append", default=[], help="a rule whose findings are left out of the answer: what is noticed then")
    p.add_argument("--parts", type=int, default=1, help="take every so manieth rig …")
    p.add_argument("--part", type=int, default=0, help="… from this one on")
    o = p.parse_args()
    if not os.path.exists("artisan"):
        sys.exit("run this in the root of a checkout")
    jobs = [(f, None) for f in o.files]
    jobs += [(f"drawn-{seed}.json", seed) for seed in range(o.seed, o.seed + o.count)]
    jobs = jobs[o.part :: o.parts]
    rigs = asked = bad = 0
    for name, seed in jobs:
        path = name
        if seed is not None:
            path = os.path.join(tempfile.gettempdir(), f"hollin-{os.getpid()}-{name}")
            with open(path, "w") as f:
                json.dump(draw.draw(seed), f, indent=1)
        job = reading.load(path)
        answer, trouble = ask(path, [v for v, _ in reading.views(job)])
        lines = []
        if answer is None:
            lines.append(("", f"no answer: {trouble}"))
        else:
            for vid, parts in reading.views(job):
                if vid not in answer["answers"]:
                    lines.append((vid, "no such view in the answer"))
                    continue
                answer["answers"][vid]["findings"] = [f for f in answer["answers"][vid]["findings"] if f["rule"] not in o.without]
                try:
                    v = View(parts, answer["answers"][vid])
                    lines += [(vid, x) for x in v.judge()]
                    asked += v.asked
                except (KeyError, TypeError, ValueError, IndexError) as e:
                    lines.append((vid, f"the judge itself failed, mend it: {type(e).__name__} {e}"))
        rigs += 1
        bad += len(folded(lines))
        for vid, states, x in folded(lines):
            print(f"{os.path.basename(name)} [{vid}] {states}{x}", flush=True)
        if lines:
            os.makedirs(o.keep, exist_ok=True)
            with open(os.path.join(o.keep, os.path.basename(name)), "w") as f:
                json.dump(job, f, indent=1)
        if seed is not None:
            os.unlink(path)
    print(f"{rigs} rigs, {asked} facts, {bad} disagreements")
    return 1 if bad else 0


if __name__ == "__main__":
    sys.exit(main())
