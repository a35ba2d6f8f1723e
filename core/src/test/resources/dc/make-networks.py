#!/usr/bin/env python3
"""Makes networks.csv: random small networks and what ngspice says of them.

make-networks.py > networks.csv   (wants ngspice of Debian's package of that name)
Columns: network (elements parted by blanks), node, volts.
Elements: R:a:b:ohm  L:anode:cathode:volts:ampere:ohm (a lamp as DcNetwork makes it)  V:node:volts. Node 0 is the ground.
"""
import math, random, re, subprocess, sys, tempfile

VT, N = 0.025865, 2.0
rng = random.Random(20)

def network():
    nodes = rng.randint(2, 7)
    held = {n: rng.choice([1.8, 3.3, 4.5, 5.0, 9.0]) for n in rng.sample(range(1, nodes + 1), rng.randint(1, min(2, nodes - 1)))}
    parts = [f"V:{n}:{v}" for n, v in sorted(held.items())]
    for n in range(1, nodes + 1):  # every node is held by something
        other = rng.choice([m for m in range(0, nodes + 1) if m != n])
        parts.append(f"R:{n}:{other}:{rng.choice([15, 100, 220, 470, 1000, 1800, 3300, 4700, 10000, 47000])}")
        parts.append(f"R:{n}:0:{rng.choice([1000, 11000, 45000, 100000])}")
    for _ in range(rng.randint(0, 4)):
        a, b = rng.sample(range(0, nodes + 1), 2)
        parts.append(f"R:{a}:{b}:{rng.choice([33, 150, 680, 2200, 10000, 50000])}")
    for _ in range(rng.randint(0, 3)):
        a, b = rng.sample(range(0, nodes + 1), 2)
        volts, amps = rng.choice([(2.0, 0.015), (3.0, 0.02), (3.1, 0.01), (0.35, 0.1)])
        inner = f"L:{a}:{b}:{volts}:{amps}:{rng.choice([1.0, 2.0]) if volts < 1 else rng.choice([5.0, 10.0, 20.0])}"
        parts.append(inner)
    return nodes, held, parts

def simulate(nodes, parts):
    deck = ["net", f".options temp=27 tnom=27 reltol=1e-6 abstol=1e-13 gmin=1e-12"]
    models = []
    for i, p in enumerate(parts):
        k, *f = p.split(":")
        if k == "R": deck.append(f"R{i} {f[0]} {f[1]} {f[2]}")
        if k == "V": deck.append(f"V{i} {f[0]} 0 {f[1]}")
        if k == "L":
            volts, amps, ohms = map(float, f[2:])
            sat = amps / math.expm1((volts - amps * ohms) / (N * VT))
            deck.append(f"RL{i} {f[0]} in{i} {ohms}")
            deck.append(f"D{i} in{i} {f[1]} M{i}")
            deck.append(f".model M{i} D(IS={sat!r} N={N} RS=0)")
    deck += [".op", ".end"]
    with tempfile.NamedTemporaryFile("w", suffix=".cir") as file:
        file.write("\n".join(deck) + "\n")
        file.flush()
        out = subprocess.run(["ngspice", "-b", file.name], capture_output=True, text=True, timeout=20).stdout
    got = {}
    for n in range(1, nodes + 1):
        m = re.search(rf"^\s*v\({n}\)\s+([-+0-9.e]+)\s*$", out, re.M | re.I)
        if not m: return None
        got[n] = float(m.group(1))
    return got

print("network,node,volts")
done = 0
for _ in range(300):
    if done == 240:
        break
    nodes, held, parts = network()
    got = simulate(nodes, parts)
    if got is None:
        print("skipped one that ngspice did not settle", file=sys.stderr); continue
    done += 1
    for n in range(1, nodes + 1):
        print(f"{' '.join(parts)},{n},{got[n]:.6f}")
