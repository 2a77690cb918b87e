#!/usr/bin/env python3
"""Draws the art of the glasshouse demo anew, beside this file: our own shapes, by code."""
import math
import pathlib

HERE = pathlib.Path(__file__).parent
PAPER, MIST, LEAF, FERN, CLAY, SUN = (
    "#f6f3e9", "#d9e6dc", "#3f7d5a", "#16352b", "#b5522e", "#e8b64c")


def n(value):
    return f"{value:.1f}".rstrip("0").rstrip(".")


def path(points, close=True):
    return "M" + "L".join(f"{n(x)} {n(y)}" for x, y in points) + ("Z" if close else "")


def write(name, w, h, body, defs="", x=0, y=0):
    (HERE / name).write_text(
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w}" height="{h}" '
        f'viewBox="{x} {y} {w} {h}">\n' + (f"<defs>{defs}</defs>\n" if defs else "") + body + "</svg>\n")


def gradient(name, stops, across=False):
    to = 'x2="1" y2="0"' if across else 'x2="0" y2="1"'
    return f'<linearGradient id="{name}" x1="0" y1="0" {to}>' + "".join(
        f'<stop offset="{at}" stop-color="{c}" stop-opacity="{o}"/>' for at, c, o in stops
    ) + "</linearGradient>"


def glow(name, colour, strength):
    return (f'<radialGradient id="{name}" cx="0.5" cy="0.5" r="0.5"><stop offset="0" stop-color="{colour}" '
            f'stop-opacity="{strength}"/><stop offset="1" stop-color="{colour}" '
            'stop-opacity="0"/></radialGradient>')


def blade(x, y, angle, length, width):
    """One leaflet: a drop from a point, pointing at the angle in degrees."""
    a = math.radians(angle)
    dx, dy, px, py = math.cos(a), math.sin(a), -math.sin(a), math.cos(a)
    tip = (x + dx * length, y + dy * length)
    left = (x + dx * length * 0.4 + px * width, y + dy * length * 0.4 + py * width)
    right = (x + dx * length * 0.4 - px * width, y + dy * length * 0.4 - py * width)
    return (f"M{n(x)} {n(y)}Q{n(left[0])} {n(left[1])} {n(tip[0])} {n(tip[1])}"
            f"Q{n(right[0])} {n(right[1])} {n(x)} {n(y)}Z")


def frond(x, y, angle, length, bend, pairs, spread=62):
    """A fern's frond: a stem that bends by so many degrees, leaflets that shrink to its tip."""
    out, a = [], angle
    for i in range(pairs):
        t = i / pairs
        step = length / pairs
        a = angle + bend * t
        x += math.cos(math.radians(a)) * step
        y += math.sin(math.radians(a)) * step
        size = length * 0.34 * (1 - t) ** 0.8 * min(1, 0.35 + t * 4)
        for side in (-1, 1):
            out.append(blade(x, y, a + side * (spread - 20 * t), size, size * 0.17))
    out.append(blade(x, y, a, length * 0.08, length * 0.012))
    return "".join(out)


def palm(x, y, size):
    """A crown of leaves on a slim trunk."""
    trunk = path([(x - size * 0.04, y), (x - size * 0.02, y - size), (x + size * 0.02, y - size),
                  (x + size * 0.04, y)])
    crown = "".join(frond(x, y - size, a, size * 0.5, (a + 90) * 0.9, 9, 70)
                    for a in (-165, -130, -100, -80, -50, -15))
    return trunk + crown


def house(x, y, w, h, defs):
    """A glasshouse: a dome between two wings, its ribs, and what grows in it; x, y its foot."""
    defs += [gradient("glass", [(0, "#ffffff", 0.75), (1, "#bcd8cf", 0.5)]),
             gradient("inside", [(0, LEAF, 0.0), (1, FERN, 0.55)])]
    out = []
    wing, dome = w * 0.33, w * 0.34
    shapes = []
    for side in (-1, 1):
        near, far = x + side * dome / 2, x + side * (dome / 2 + wing)
        shapes.append(f"M{n(near)} {n(y)}L{n(near)} {n(y - h * 0.42)}"
                      f"Q{n((near + far) / 2)} {n(y - h * 0.52)} {n(far)} {n(y - h * 0.3)}"
                      f"L{n(far)} {n(y)}Z")
    shapes.append(f"M{n(x - dome / 2)} {n(y)}L{n(x - dome / 2)} {n(y - h * 0.5)}"
                  f"Q{n(x - dome / 2)} {n(y - h * 0.93)} {n(x)} {n(y - h * 0.96)}"
                  f"Q{n(x + dome / 2)} {n(y - h * 0.93)} {n(x + dome / 2)} {n(y - h * 0.5)}"
                  f"L{n(x + dome / 2)} {n(y)}Z")
    for shape in shapes:
        out.append(f'<path d="{shape}" fill="url(#glass)"/>')
    plants = palm(x, y, h * 0.4) + palm(x - w * 0.3, y, h * 0.2) + palm(
        x + w * 0.27, y, h * 0.22)
    for i in range(9):
        px = x - w * 0.44 + i * w * 0.11
        plants += frond(px, y, -90 + (i % 3 - 1) * 24, h * (0.16 + 0.05 * (i % 2)), 30 - 30 * (i % 3), 8)
    out.append(f'<path d="{plants}" fill="{LEAF}" opacity="0.62"/>')
    for shape in shapes:
        out.append(f'<path d="{shape}" fill="url(#inside)"/>')
    ribs = "".join(f"M{n(x)} {n(y - h * 0.96)}Q{n(x + t * dome)} {n(y - h * 0.9)} "
                   f"{n(x + t * dome)} {n(y - h * 0.5)}V{n(y)}"
                   for t in (-0.5, -0.33, -0.16, 0, 0.16, 0.33, 0.5))
    for side in (-1, 1):
        for i in range(1, 7):
            t = i / 6
            rx = x + side * (dome / 2 + wing * t)
            top = h * (0.42 * (1 - t) ** 2 + 2 * t * (1 - t) * 0.52 + 0.3 * t * t)
            ribs += f"M{n(rx)} {n(y)}V{n(y - top)}"
        ribs += (f"M{n(x + side * dome / 2)} {n(y - h * 0.42)}Q{n(x + side * (dome + wing) / 2)} "
                 f"{n(y - h * 0.52)} {n(x + side * (dome / 2 + wing))} {n(y - h * 0.3)}")
    for up in (0.16, 0.33, 0.5):
        half = dome / 2 + (wing if up < 0.3 else 0)
        ribs += f"M{n(x - half)} {n(y - h * up)}H{n(x + half)}"
    ribs += f"M{n(x)} {n(y - h * 0.96)}V{n(y - h * 1.06)}"
    out.append(f'<path d="{ribs}" fill="none" stroke="#f9fbf5" stroke-width="{n(w * 0.0042)}" '
               'stroke-linecap="round"/>')
    door = f"M{n(x - w * 0.035)} {n(y)}v{n(-h * 0.2)}a{n(w * 0.035)} {n(w * 0.035)} 0 0 1 {n(w * 0.07)} 0V{n(y)}Z"
    out.append(f'<path d="{door}" fill="{FERN}" opacity="0.55"/>')
    return "".join(out)


def hills(points, colour, foot):
    d = f"M0 {foot}L0 {points[0][1]}"
    for (x0, y0), (x1, y1) in zip(points, points[1:]):
        d += f"C{n(x0 + (x1 - x0) / 2)} {y0} {n(x0 + (x1 - x0) / 2)} {y1} {x1} {y1}"
    return f'<path d="{d}L{points[-1][0]} {foot}Z" fill="{colour}"/>'


def dawn():
    """The first thing that visitors see; it covers displays that lie and that stand."""
    defs = [gradient("sky", [(0, "#cfe3dd", 1), (0.45, "#f3efdd", 1), (0.7, "#f7e2bd", 1)]),
            glow("sun", "#fff3d0", 1)]
    body = '<rect width="2400" height="2400" fill="url(#sky)"/>'
    body += '<circle cx="1760" cy="1290" r="900" fill="url(#sun)"/>'
    body += '<circle cx="1760" cy="1190" r="230" fill="#fff8e4"/>'
    body += hills([(0, 1420), (500, 1340), (1050, 1450), (1700, 1330), (2400, 1430)], "#c6d9c4", 2400)
    body += hills([(0, 1530), (700, 1480), (1300, 1560), (2000, 1470), (2400, 1540)], "#9fc0a4", 2400)
    body += house(1760, 1690, 1120, 640, defs)
    body += hills([(0, 1640), (600, 1700), (1600, 1688), (2400, 1650)], "#5d9471", 2400)
    body += hills([(0, 1800), (800, 1760), (1700, 1830), (2400, 1770)], "#3f7d5a", 2400)
    near = "".join(frond(x, y, a, size, bend, 22) for x, y, a, size, bend in (
        (60, 2180, -62, 620, 46), (0, 2060, -30, 560, 44), (300, 2260, -84, 520, -34),
        (2330, 2190, -120, 660, -46), (2400, 2040, -150, 560, -40), (2060, 2270, -96, 500, 34),
        (1180, 2330, -104, 380, -30), (1330, 2340, -70, 400, 34)))
    body += f'<path d="{near}" fill="{FERN}"/>'
    body += hills([(0, 2120), (900, 2200), (1500, 2190), (2400, 2110)], FERN, 2400)
    write("dawn.svg", 2400, 2400, body, "".join(defs))


def paper():
    """Quiet ground for lists and forms: light, with the shade of leaves in two corners."""
    defs = gradient("ground", [(0, "#fbf9f1", 1), (1, "#e9eedf", 1)])
    shade = "".join(frond(x, y, a, size, bend, 20) for x, y, a, size, bend in (
        (2400, 300, 150, 900, -30), (2400, 60, 168, 760, 40), (2250, 0, 110, 640, 40),
        (0, 2100, -40, 900, 36), (0, 2350, -14, 820, -34), (140, 2400, -78, 620, 40)))
    write("paper.svg", 2400, 2400, '<rect width="2400" height="2400" fill="url(#ground)"/>'
          f'<path d="{shade}" fill="{LEAF}" opacity="0.08"/>', defs)


def cactus(x, y, s):
    return (f"M{n(x - 14 * s)} {n(y)}V{n(y - 62 * s)}a{n(14 * s)} {n(14 * s)} 0 0 1 {n(28 * s)} 0V{n(y)}Z"
            f"M{n(x - 18 * s)} {n(y - 22 * s)}h{n(-12 * s)}a{n(8 * s)} {n(8 * s)} 0 0 1 {n(-8 * s)} {n(-8 * s)}v{n(-22 * s)}"
            f"a{n(6 * s)} {n(6 * s)} 0 0 1 {n(12 * s)} 0v{n(18 * s)}h{n(8 * s)}Z"
            f"M{n(x + 18 * s)} {n(y - 30 * s)}h{n(12 * s)}a{n(8 * s)} {n(8 * s)} 0 0 0 {n(8 * s)} {n(-8 * s)}v{n(-16 * s)}"
            f"a{n(6 * s)} {n(6 * s)} 0 0 0 {n(-12 * s)} 0v{n(12 * s)}h{n(-8 * s)}Z")


def bloom(x, y, r, petals):
    return "".join(blade(x, y, 360 / petals * i - 90, r, r * 0.42) for i in range(petals))


def leaves():
    """What the plants of the list are known by, a group each, in 120 × 120."""
    def g(name, dark, light=""):
        return (f'<g id="{name}"><path d="{dark}" fill="{LEAF}"/>' +
                (f'<path d="{light}" fill="{CLAY}"/>' if light else "") + "</g>\n")
    body = g("fern", frond(24, 108, -62, 112, 30, 12))
    body += g("palm", palm(60, 112, 62))
    body += g("orchid", "M57 112Q52 84 58 62L62 62Q58 86 63 112Z" + blade(60, 108, -24, 46, 9)
              + blade(60, 108, -156, 46, 9), bloom(60, 44, 36, 5))
    body += g("cactus", cactus(60, 112, 1.25), bloom(60, 20, 13, 6))
    body += g("lily", "M8 92Q60 64 112 92Q60 120 8 92Z", bloom(60, 70, 44, 7).replace("Z", "Z"))
    body += g("moss", "".join(frond(14 + 15 * i, 108, -90 + (i - 3) * 9, 46 + 12 * (i % 3), 0, 7)
                              for i in range(7)))
    write("leaves.svg", 120, 120, body)


def plant():
    """The plant of the page: a tree fern, seen large."""
    defs = [gradient("back", [(0, "#e6efe2", 1), (1, "#c9dcc9", 1)]), glow("light", "#fff6dd", 0.9)]
    body = '<rect width="900" height="1012" rx="40" fill="url(#back)"/>'
    body += '<circle cx="450" cy="380" r="430" fill="url(#light)"/>'
    trunk = "M414 1012Q428 760 436 520H470Q474 760 496 1012Z"
    body += f'<path d="{trunk}" fill="#4b3a2a"/>'
    marks = "".join(f"M{422 + i} {980 - 40 * i}q{32 - i} 16 {66 - 3 * i} 0" for i in range(11))
    body += f'<path d="{marks}" fill="none" stroke="#2c2118" stroke-width="5"/>'
    back = "".join(frond(452, 530, a, 400, b, 20) for a, b in (
        (-172, -40), (-140, -36), (-100, -26), (-78, 26), (-42, 36), (-8, 40)))
    front = "".join(frond(452, 540, a, 430, b, 22) for a, b in (
        (-188, -56), (-156, -48), (-122, -44), (-58, 44), (-24, 48), (8, 56)))
    body += f'<path d="{back}" fill="#6b9f7b"/><path d="{front}" fill="{LEAF}"/>'
    curl = "M450 530q-26 -96 24 -128q44 -16 50 26q-4 34 -34 28q-20 -10 -6 -28"
    body += (f'<path d="{curl}" fill="none" stroke="#2b5a41" stroke-width="13" '
             'stroke-linecap="round"/>')
    write("plant.svg", 900, 1012, body, "".join(defs))


def grounds():
    """The grounds from above at an angle: a group each for lawn, paths, water and the houses."""
    defs = [gradient("roof", [(0, "#ffffff", 0.95), (1, "#cfe2d8", 0.95)]),
            gradient("wall", [(0, "#b3d0c3", 1), (1, "#8db5a4", 1)])]

    def shed(name, x, y, w, h, tall):
        front = path([(x, y), (x + w, y), (x + w, y - tall), (x, y - tall)])
        roof = path([(x, y - tall), (x + w, y - tall), (x + w - h * 0.5, y - tall - h),
                     (x + h * 0.5, y - tall - h)])
        bars = "".join(f"M{n(x + w * i / 8)} {y}V{y - tall}L"
                       f"{n(x + h * 0.5 + (w - h) * i / 8)} {y - tall - h}" for i in range(1, 8))
        return (f'<g id="{name}"><ellipse cx="{n(x + w / 2)}" cy="{y + 8}" rx="{n(w * 0.6)}" '
                f'ry="26" fill="{FERN}" opacity="0.16"/><path d="{front}" fill="url(#wall)"/>'
                f'<path d="{roof}" fill="url(#roof)"/><path d="{bars}" fill="none" '
                'stroke="#7fa595" stroke-width="3"/></g>\n')
    lawn = "M60 460C60 180 420 60 720 60S1340 190 1340 460S1010 850 690 850S60 740 60 460Z"
    body = f'<g id="lawn"><path d="{lawn}" fill="#b9d3af"/></g>\n'
    paths = ("M700 850C690 700 760 640 700 540S420 480 330 430M700 540C820 480 960 520 1080 430"
             "M700 540C690 400 700 330 690 260")
    body += (f'<g id="paths"><path d="{paths}" fill="none" stroke="{PAPER}" stroke-width="34" '
             'stroke-linecap="round"/></g>\n')
    body += ('<g id="water"><path d="M860 700C900 640 1080 630 1130 690S1060 790 960 780S830 750 '
             '860 700Z" fill="#a7d0d2"/></g>\n')
    trees = "".join(bloom(x, y, r, 9) for x, y, r in (
        (160, 560, 44), (230, 650, 56), (330, 730, 40), (1240, 560, 50), (1190, 330, 40),
        (470, 180, 40), (960, 150, 46), (530, 700, 38), (1180, 790, 34)))
    body += f'<g id="trees"><path d="{trees}" fill="#6fa37c"/></g>\n'
    body += shed("warm", 520, 300, 340, 84, 96)
    body += shed("fern", 190, 470, 260, 66, 74)
    body += shed("dry", 960, 470, 260, 66, 74)
    write("grounds.svg", 1296, 836, body, "".join(defs), 52, 52)


for draw in (dawn, paper, leaves, plant, grounds):
    draw()
