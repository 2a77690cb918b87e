#!/usr/bin/env python3
"""Draws the art of Saltglass Deep anew, beside this file: our own shapes, by code."""
import math
import pathlib
import random

HERE = pathlib.Path(__file__).parent
ABYSS, HULL, CURRENT, FOAM, AMBER, CORAL = (
    "#071417", "#1c3a40", "#2f8088", "#eaf6f3", "#f2c14e", "#c25a43")


def n(value):
    return f"{value:.1f}".rstrip("0").rstrip(".")


def write(name, w, h, body, defs=""):
    (HERE / name).write_text(
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w}" height="{h}" '
        f'viewBox="0 0 {w} {h}">\n' + (f"<defs>{defs}</defs>\n" if defs else "") + body + "\n</svg>\n")


def down(name, *stops):
    return f'<linearGradient id="{name}" x1="0" y1="0" x2="0" y2="1">' + "".join(
        f'<stop offset="{at}" stop-color="{c}" stop-opacity="{o}"/>' for at, c, o in stops
    ) + "</linearGradient>"


def round_(name, colour, strength):
    return (f'<radialGradient id="{name}" cx="0.5" cy="0.5" r="0.5"><stop offset="0" '
            f'stop-color="{colour}" stop-opacity="{strength}"/><stop offset="1" '
            f'stop-color="{colour}" stop-opacity="0"/></radialGradient>')


def rays(w, h, dice, strength):
    """Light from above, in slanting shafts that lose themselves in the deep."""
    out = ""
    for i in range(9):
        x = -200 + i * w / 7 + dice.uniform(-60, 60)
        wide, lean = dice.uniform(50, 130), dice.uniform(260, 420)
        out += (f'<path d="M{n(x)} 0H{n(x + wide)}L{n(x + wide * 2.2 - lean)} {n(h * 0.86)}'
                f'H{n(x - wide - lean)}Z" fill="url(#ray)" opacity="{strength * dice.uniform(0.5, 1):.2f}"/>')
    return out


def motes(w, h, count, dice):
    """What drifts in the water: far ones small and faint."""
    return "".join(f'<circle cx="{dice.randint(0, w)}" cy="{dice.randint(0, h)}" '
                   f'r="{dice.choice((1.5, 2, 2, 3, 4))}" fill="#bfe6df" '
                   f'opacity="{dice.choice((0.1, 0.16, 0.24))}"/>' for _ in range(count))


def ridge(w, y, high, step, dice, foot):
    """A sea floor's outline, soft."""
    points = [(x, y + dice.uniform(-high, high)) for x in range(-step, w + 2 * step, step)]
    d = f"M{points[0][0]} {foot}L{points[0][0]} {n(points[0][1])}"
    for (x0, y0), (x1, y1) in zip(points, points[1:]):
        m = (x0 + x1) / 2
        d += f"C{n(m)} {n(y0)} {n(m)} {n(y1)} {x1} {n(y1)}"
    return d + f"L{points[-1][0]} {foot}Z"


def weed(x, y, tall, dice):
    """A strand of kelp with its leaves."""
    out, side = f"M{n(x)} {n(y)}", 1
    px, py = x, y
    leaves = ""
    for i in range(int(tall / 46)):
        nx, ny = x + math.sin(i * 0.9 + x) * 16, y - (i + 1) * 46
        out += f"Q{n(px + 9 * side)} {n((py + ny) / 2)} {n(nx)} {n(ny)}"
        leaves += (f"M{n(nx)} {n(ny)}q{n(30 * side)} -8 {n(44 * side)} -40"
                   f"q{n(-34 * side)} 0 {n(-44 * side)} 40Z")
        px, py, side = nx, ny, -side
    return out, leaves


def submarine():
    """The boat, about 0, 0, 700 px long, seen from the side, its lamps lit."""
    body = "M-330 10C-300 -110 -120 -140 30 -140C220 -140 330 -80 340 0C330 80 220 130 20 130C-130 130 -300 110 -330 10Z"
    tower = "M-96 -134L-76 -206Q-70 -220 -54 -220H48Q62 -220 68 -206L88 -134Z"
    fin = "M-318 6L-404 -84Q-384 0 -404 96Z"
    out = f'<path d="{fin}" fill="#1a3439"/><path d="{tower}" fill="url(#tower)"/>'
    out += '<path d="M0 -220V-262H44" fill="none" stroke="#36585c" stroke-width="12" stroke-linecap="round"/>'
    out += f'<path d="{body}" fill="url(#boat)"/>'
    out += ('<path d="M-300 -32C-250 -104 -110 -122 30 -122C170 -122 270 -92 312 -42C250 -82 160 -98 20 -98'
            'C-120 -98 -240 -82 -300 -32Z" fill="#9fd8d0" opacity="0.22"/>')
    out += '<path d="M-318 34H334M-326 22" fill="none" stroke="#0c1f22" stroke-width="4" opacity="0.6"/>'
    rivets = "".join(f'<circle cx="{x}" cy="48" r="3.500"/>' for x in range(-270, 300, 36))
    out += f'<g fill="#0c1f22" opacity="0.55">{rivets}</g>'
    for x in (-170, -60, 50, 160):
        out += (f'<circle cx="{x}" cy="-24" r="90" fill="url(#halo)"/><circle cx="{x}" cy="-24" r="36" '
                f'fill="#0a1a1d"/><circle cx="{x}" cy="-24" r="28" fill="{AMBER}"/>'
                f'<path d="M{x - 16} -34A20 20 0 0 1 {x + 2} -46" fill="none" stroke="#fff3cf" '
                'stroke-width="6" stroke-linecap="round"/>')
    out += '<path d="M318 -22L346 -30V34L318 26Z" fill="#2a4a4e"/>'
    return out


def title():
    dice = random.Random(3)
    defs = (down("water", (0, "#2b7d82", 1), (0.38, "#17474e", 1), (1, ABYSS, 1))
            + down("ray", (0, "#cdeee6", 0.5), (1, "#cdeee6", 0))
            + down("boat", (0, "#5b8a8b", 1), (0.5, "#2c5357", 1), (1, "#12272b", 1))
            + down("tower", (0, "#4a7678", 1), (1, "#2b5156", 1))
            + '<linearGradient id="beam" x1="0" y1="0" x2="1" y2="0"><stop offset="0" stop-color="#ffe7a6" '
              'stop-opacity="0.55"/><stop offset="1" stop-color="#ffe7a6" stop-opacity="0"/></linearGradient>'
            + round_("halo", AMBER, 0.35) + round_("sky", "#d9fff6", 0.5) + round_("glow", "#ffe7a6", 0.28))
    body = '<rect width="1920" height="1200" fill="url(#water)"/>'
    body += '<ellipse cx="1180" cy="-40" rx="980" ry="420" fill="url(#sky)"/>' + rays(1920, 1200, dice, 0.42)
    body += f'<path d="{ridge(1920, 860, 60, 240, dice, 1200)}" fill="#12373d"/>'
    body += '<ellipse cx="1900" cy="640" rx="460" ry="300" fill="url(#glow)"/>'
    body += '<path d="M1600 560L2300 380V760L1600 600Z" fill="url(#beam)"/>'
    body += f'<g transform="translate(1270 580)">{submarine()}</g>'
    body += f'<path d="{ridge(1920, 980, 50, 200, dice, 1200)}" fill="#0c262b"/>'
    for x, tall in ((640, 230), (706, 320), (752, 190), (1790, 300), (1850, 420), (1700, 210), (1200, 150)):
        stem, leaves = weed(x, 1120, tall, dice)
        body += (f'<path d="{stem}" fill="none" stroke="#0a1f23" stroke-width="7"/>'
                 f'<path d="{leaves}" fill="#0a1f23"/>')
    body += f'<path d="{ridge(1920, 1090, 40, 170, dice, 1200)}" fill="{ABYSS}"/>' + motes(1920, 1200, 46, dice)
    write("title.svg", 1920, 1200, body, defs)


def hull():
    """The boat's side, opened: calm where the slots are, light towards the middle."""
    dice = random.Random(5)
    defs = (down("deep", (0, "#123238", 1), (1, ABYSS, 1)) + down("ray", (0, "#cdeee6", 0.4), (1, "#cdeee6", 0))
            + down("rim", (0, "#3f6c70", 1), (0.5, "#244a4f", 1), (1, "#132b30", 1))
            + down("bay", (0, "#0c2226", 1), (0.5, "#12303550", 1), (1, "#091a1d", 1)).replace("#12303550", "#123035")
            + round_("lamp", "#8fd9d2", 0.2))
    skin = ("M84 596C110 304 420 156 960 150C1500 156 1810 304 1836 596C1810 888 1500 1036 960 1042"
            "C420 1036 110 888 84 596Z")
    inner = ("M124 596C150 334 440 192 960 186C1480 192 1770 334 1796 596C1770 858 1480 1000 960 1006"
             "C440 1000 150 858 124 596Z")
    body = '<rect width="1920" height="1200" fill="url(#deep)"/>' + rays(1920, 1200, dice, 0.3) + motes(1920, 1200, 40, dice)
    body += '<path d="M96 596L-30 420Q20 596 -30 780Z" fill="#1a3a3f"/>'
    body += f'<path d="{skin}" fill="url(#rim)"/><path d="{inner}" fill="url(#bay)"/>'
    body += '<ellipse cx="960" cy="596" rx="860" ry="380" fill="url(#lamp)"/>'
    ribs = "".join(f"M{x} {n(596 - r)}Q{n(x - (960 - x) * 0.04)} 596 {x} {n(596 + r)}"
                   for x in range(260, 1700, 200)
                   for r in [390 * math.sqrt(max(0, 1 - ((x - 960) / 836) ** 2)) * 1.0])
    body += f'<path d="{ribs}" fill="none" stroke="#2d5b60" stroke-width="3" opacity="0.4"/>'
    bolts = ""
    for i in range(72):
        a = math.tau * i / 72
        bolts += f'<circle cx="{n(960 + 858 * math.copysign(abs(math.cos(a)) ** 0.86, math.cos(a)))}" cy="{n(596 + 428 * math.copysign(abs(math.sin(a)) ** 0.9, math.sin(a)))}" r="4"/>'
    body += f'<g fill="#0d2327" opacity="0.8">{bolts}</g>'
    body += ('<path d="M440 226C610 182 780 170 960 170C1140 170 1310 182 1480 226C1310 198 1140 188 960 188'
             'C780 188 610 198 440 226Z" fill="#bfeee6" opacity="0.18"/>')
    write("hull.svg", 1920, 1200, body, defs)


def cabin():
    """Inside, at night: a lit porthole, books of log, and much quiet wall for lists."""
    dice = random.Random(8)
    defs = (down("wall", (0, "#10292e", 1), (1, "#081518", 1)) + round_("sea", "#5fb9b6", 0.9)
            + round_("lamp", AMBER, 0.16)
            + down("rim", (0, "#5b8a8b", 1), (1, "#1b383d", 1)))
    body = '<rect width="1920" height="1200" fill="url(#wall)"/>'
    planks = "".join(f"M0 {y}H1920" for y in range(150, 1200, 150))
    body += f'<path d="{planks}" stroke="#0a1d21" stroke-width="4" opacity="0.55"/>'
    body += '<ellipse cx="1600" cy="380" rx="760" ry="620" fill="url(#lamp)"/>'
    body += ('<circle cx="1610" cy="330" r="236" fill="url(#rim)"/><circle cx="1610" cy="330" r="196" fill="#0d3a42"/>'
             '<circle cx="1610" cy="300" r="190" fill="url(#sea)"/>')
    body += "".join(f'<circle cx="{n(1610 + 216 * math.cos(a))}" cy="{n(330 + 216 * math.sin(a))}" r="9" fill="#0d2327"/>'
                    for a in [math.tau * i / 12 for i in range(12)])
    fish = "M1540 340q40 -34 92 -6l26 -20v52l-26 -20q-52 28 -92 -6Z"
    body += f'<path d="{fish}" fill="#0a2b31"/><path d="{fish}" transform="translate(70 -90) scale(0.99)" fill="#0a2b31" opacity="0.6"/>'
    body += '<path d="M1470 190A196 196 0 0 1 1660 140" fill="none" stroke="#dffaf4" stroke-width="10" opacity="0.5" stroke-linecap="round"/>'
    body += '<rect y="1110" width="1920" height="90" fill="#0a1a1d"/><rect y="1110" width="1920" height="5" fill="#2d5b60" opacity="0.5"/>'
    write("cabin.svg", 1920, 1200, body, defs)


def chart():
    """A chart on the table: islands, soundings in rings, a course in amber."""
    dice = random.Random(11)
    defs = (down("table", (0, "#0f2529", 1), (1, "#071214", 1)) + down("sheet", (0, "#dfe9dc", 1), (1, "#b9cdc3", 1))
            + round_("lamp", "#fff4d2", 0.5))
    body = '<rect width="1920" height="1200" fill="url(#table)"/>'
    paper = ''
    paper += '<path d="M128 178L1806 156L1834 1022L96 1040Z" fill="#000" opacity="0.35"/>'
    paper += '<path d="M120 170L1800 150L1824 1010L96 1026Z" fill="url(#sheet)"/>'
    paper += '<ellipse cx="980" cy="480" rx="760" ry="420" fill="url(#lamp)"/>'
    grid = "".join(f"M{x} 176L{x + 8} 1010" for x in range(300, 1800, 180)) + "".join(
        f"M112 {y}L1812 {y - 14}" for y in range(300, 1010, 140))
    paper += f'<path d="{grid}" fill="none" stroke="#5d8781" stroke-width="2" opacity="0.35"/>'

    def land(cx, cy, r):
        pts = [(cx + r * (0.8 + 0.4 * dice.random()) * math.cos(a) * 1.3,
                cy + r * (0.8 + 0.4 * dice.random()) * math.sin(a))
               for a in [math.tau * i / 12 for i in range(12)]]
        d = f"M{n((pts[-1][0] + pts[0][0]) / 2)} {n((pts[-1][1] + pts[0][1]) / 2)}"
        for i, (x, y) in enumerate(pts):
            nx, ny = pts[(i + 1) % len(pts)]
            d += f"Q{n(x)} {n(y)} {n((x + nx) / 2)} {n((y + ny) / 2)}"
        return d + "Z", pts
    for cx, cy, r in ((330, 330, 96), (1560, 300, 120), (760, 860, 110), (1380, 900, 70), (1010, 330, 46)):
        d, _ = land(cx, cy, r)
        for k, o in ((1.5, 0.1), (1.32, 0.14), (1.15, 0.2)):
            paper += (f'<path d="{d}" transform="translate({n(cx * (1 - k))} {n(cy * (1 - k))}) scale({k})" '
                     f'fill="{CURRENT}" opacity="{o}"/>')
        paper += f'<path d="{d}" fill="#cdb88a"/><path d="{d}" fill="none" stroke="#6d6548" stroke-width="4"/>'
    paper += (f'<path d="M430 560C620 420 760 640 960 590S1260 420 1400 560" fill="none" stroke="{CORAL}" '
             'stroke-width="6" stroke-dasharray="22 16" stroke-linecap="round"/>')
    rose = "".join(f"M1660 {850}l{n(math.cos(a) * (74 if i % 2 == 0 else 40))} {n(math.sin(a) * (74 if i % 2 == 0 else 40))}"
                   for i, a in enumerate(math.tau * i / 8 for i in range(8)))
    paper += f'<circle cx="1660" cy="850" r="84" fill="none" stroke="#3d6660" stroke-width="4"/><path d="{rose}" stroke="#3d6660" stroke-width="6" fill="none"/>'
    body += f'<g transform="translate(0 84) scale(1 0.865)">{paper}</g>'
    write("chart.svg", 1920, 1200, body, defs)


FITTINGS = {
    "lamp": "M8 4H16L19 14H5ZM12 14V20M8 20H16", "sonar": "M12 21V13M12 13L6 5M7.500 13A5 5 0 0 1 12 8M4 14A10 10 0 0 1 13 3.500",
    "winch": "M4 7H20M4 17H20M7 7V17M17 7V17M7 10H17M7 14H17", "spool": "M6 5H18M6 19H18M9 5V19M15 5V19M9 9L15 12M9 13L15 16",
    "tank": "M8 5H16A3 3 0 0 1 19 8V16A3 3 0 0 1 16 19H8A3 3 0 0 1 5 16V8A3 3 0 0 1 8 5ZM12 5V2.500M5 13Q8.500 10.500 12 13T19 13",
    "vane": "M4 6L20 10V14L4 18ZM11 8V16", "rudder": "M20 6L4 10V14L20 18ZM13 8V16",
    "ballast": "M12 3L19 8V16L12 21L5 16V8ZM5 8L12 12L19 8M12 12V21", "trim": "M3 12H21M12 6V18M6 9V15M18 9V15",
    "claw": "M12 3V9M12 9Q5 10 5 17L9 20M12 9Q19 10 19 17L15 20M9 14L12 16L15 14",
    "drill": "M5 4H19V9H5ZM8 9L12 21L16 9M9 12.500H15", "net": "M4 4L20 20M4 12L12 20M12 4L20 12M20 4L4 20M12 4L4 12M20 12L12 20",
    "buoy": "M8 11H16L18 20H6ZM12 11V3L17 5.500L12 8", "flask": "M9 8H15A2 2 0 0 1 17 10V20H7V10A2 2 0 0 1 9 8ZM10 8V4H14V8M7 13H17",
    "scrubber": "M4 8Q8 4 12 8T20 8M4 13Q8 9 12 13T20 13M4 18Q8 14 12 18T20 18", "battery": "M3 7H19V17H3ZM19 10H21.500V14H19M7 10V14M11 10V14",
    "dynamo": "M12 4A8 8 0 1 1 11.990 4M13 7L9 13H15L11 18", "heater": "M7 20V9M12 20V9M17 20V9M7 3Q5 5 7 7M12 3Q10 5 12 7M17 3Q15 5 17 7",
    "pump": "M10 7A6 6 0 1 1 9.990 7M14 9H21V6M4 20H16", "valve": "M4 10V18L12 14L20 18V10L12 14ZM12 14V5M8 5H16",
    "periscope": "M9 21V8H5V4H15V8M13 21V8M9 21H13", "hydrophone": "M4 9V15M8 6V18M12 8V16M16 4V20M20 10V14",
    "echo": "M6 12A6 6 0 0 1 12 6M3 12A9 9 0 0 1 12 3M13 13L20 20M12 10A2 2 0 1 1 11.990 10",
    "eye": "M3 12Q12 3 21 12Q12 21 3 12ZM12 9.500A2.500 2.500 0 1 1 11.990 9.500",
    "gyro": "M12 4A8 8 0 1 1 11.990 4M4 12H20M12 4Q6 12 12 20M12 4Q18 12 12 20",
    "wheel": "M12 4A8 8 0 1 1 11.990 4M12 4V20M4 12H20M6.500 6.500L17.500 17.500M17.500 6.500L6.500 17.500",
    "gauge": "M5 18A9 9 0 1 1 19 18M12 14L16 8M12 12.500A1.500 1.500 0 1 1 11.990 12.500", "lock": "M5 11H19V20H5ZM8 11V8A4 4 0 0 1 16 8V11",
    "hatch": "M12 4A8 8 0 1 1 11.990 4M12 8A4 4 0 1 1 11.990 8M12 4V8M20 12H16M12 20V16M4 12H8",
    "ladder": "M7 3V21M17 3V21M7 7H17M7 12H17M7 17H17", "bell": "M6 17Q8 14 8 10A4 4 0 0 1 16 10Q16 14 18 17ZM12 3V6M10.500 20H13.500",
    "horn": "M4 10V14H8L19 19V5L8 10ZM8 10V14", "flare": "M12 21V12L7 7M12 12L17 7M12 9V3M12 12L5 13M12 12L19 13",
    "dye": "M12 3Q5 11 5 15A7 7 0 0 0 19 15Q19 11 12 3Z", "jar": "M7 7H17V18A3 3 0 0 1 14 21H10A3 3 0 0 1 7 18ZM6 4H18M7 13H17",
    "trap": "M4 8H20V19H4ZM4 8L8 4H16L20 8M9 8V19M14 8V19", "anchor": "M12 7V21M8 10H16M4 14Q5 20 12 21Q19 20 20 14M12 3A2 2 0 1 1 11.990 3",
    "line": "M5 4Q19 8 12 12T19 20", "hook": "M14 3V14A4.500 4.500 0 1 1 5 14V12L8 14M12 3H16", "ram": "M3 9H13L21 12L13 15H3ZM7 9V15",
}


def fittings():
    """What is bolted to the hull, a group each: even strokes in 24 × 24."""
    write("fittings.svg", 24, 24, "\n".join(
        f'<g id="{name}"><path d="{d}" fill="none" stroke="{FOAM}" stroke-width="2" '
        'stroke-linecap="round" stroke-linejoin="round"/></g>' for name, d in FITTINGS.items()))


for draw in (title, hull, cabin, chart, fittings):
    draw()
