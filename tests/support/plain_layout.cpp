#include "support/plain_layout.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numeric>

namespace bristle::test {
namespace {

struct Node {
  const Item* item = nullptr;
  std::vector<size_t> in;  // children
  Box box;
  int line = 0, column = 0, row = 0;
};

class Plain {
 public:
  explicit Plain(const Screen& screen) {
    std::map<std::string, size_t> byId;
    for (const auto& item : screen.items) {
      byId[item->id.text] = nodes.size();
      nodes.push_back({&*item, {}, {}});
      if (item->parent) nodes[byId.at(item->parent.text)].in.push_back(nodes.size() - 1);
    }
  }

  static const AxisPlace& axis(const Node& n, bool x) {
    return x ? n.item->place.x : n.item->place.y;
  }
  static Px bound(const AxisPlace& a, Px size) {
    if (a.most > 0 && size > a.most) size = a.most;
    return size < a.least ? a.least : size;
  }
  static Px& side(Box& b, bool x) { return x ? b.w : b.h; }
  static Px& corner(Box& b, bool x) { return x ? b.x : b.y; }

  // The size on an axis, all the way down each time.
  Px size(size_t n, bool x) {
    const AxisPlace& a = axis(nodes[n], x);
    return bound(a, a.size > 0 ? a.size : content(n, x));
  }

  std::vector<Px> sizes(const std::vector<size_t>& of, const ContainerData& c, bool x) {
    std::vector<Px> out;
    for (size_t n : of) out.push_back(size(n, x));
    const bool along = x == (c.flow == Flow::Row);
    if (c.equal && along && c.flow != Flow::Grid && c.flow != Flow::Ring && !out.empty()) {
      const Px longest = *std::max_element(out.begin(), out.end());
      for (size_t i = 0; i < of.size(); ++i)
        if (axis(nodes[of[i]], x).size <= 0) out[i] = bound(axis(nodes[of[i]], x), longest);
    }
    return out;
  }

  // By its pins, in what is `room` long from `from`.
  void pinned(size_t n, bool x, Px from, Px room) {
    const AxisPlace& a = axis(nodes[n], x);
    const Px s = a.share > 0 ? bound(a, std::max(1.0, a.share * room)) : size(n, x);
    if (a.pin == Pin::Fraction) put(n, x, from + room * a.fraction + a.offset - s / 2, s);
    if (a.pin == Pin::Start || a.pin == Pin::None) put(n, x, from + a.offset, s);
    if (a.pin == Pin::Centre) put(n, x, from + room / 2 + a.offset - s / 2, s);
    if (a.pin == Pin::End) put(n, x, from + room - a.offset - s, s);
    if (a.pin == Pin::Both)
      put(n, x, from + a.offset, bound(a, std::max(1.0, room - a.offset - a.farOffset)));
  }

  Px content(size_t n, bool x) {
    const ContainerData* c = nodes[n].item->container();
    if (!c) return 0;
    const auto& in = nodes[n].in;
    if (c->flow == Flow::Free && !in.empty()) {
      Px most = 0;
      for (size_t i : in) {
        const AxisPlace& a = axis(nodes[i], x);
        const Px beside = a.pin == Pin::Fraction ? 0
                          : a.pin == Pin::Centre ? 2 * std::abs(a.offset)
                          : a.pin == Pin::Both   ? a.offset + a.farOffset
                                                 : a.offset;
        most = std::max(most, beside + size(i, x));
      }
      return most + 2 * c->padding;
    }
    if (c->flow == Flow::Ring) {
      Px largest = 0;
      for (size_t i : in) largest = std::max(largest, size(i, x));
      return 2 * c->padding + 2 * c->radius + largest;
    }
    if (in.empty()) return 48 + 2 * c->padding;
    if (c->flow == Flow::Grid) {
      const auto t = tracks(n, x, -1);
      return std::accumulate(t.begin(), t.end(), 0.0) +
             (x ? c->gap : c->lineGap) * double(t.size() - 1) + 2 * c->padding;
    }
    const auto all = sizes(in, *c, x);
    if (x == (c->flow == Flow::Row))
      return std::accumulate(all.begin(), all.end(), 0.0) + c->gap * double(in.size() - 1) +
             2 * c->padding;
    std::map<int, Px> lines;
    for (size_t i = 0; i < in.size(); ++i)
      lines[nodes[in[i]].line] = std::max(lines[nodes[in[i]].line], all[i]);
    Px out = 2 * c->padding + c->lineGap * double(lines.size() - 1);
    for (const auto& line : lines) out += line.second;
    return out;
  }

  int wide(size_t n, const ContainerData& c) const {
    return std::min(nodes[n].item->columns, c.columns);
  }

  void cells(size_t n) {
    const ContainerData& c = *nodes[n].item->container();
    std::map<std::pair<int, int>, bool> taken;
    int column = 0, row = 0;
    for (size_t i : nodes[n].in) {
      const int w = wide(i, c), h = nodes[i].item->rows;
      for (;; ++column) {
        if (column == c.columns) column = 0, ++row;
        bool fits = column + w <= c.columns;
        for (int a = 0; a < w && fits; ++a)
          for (int b = 0; b < h && fits; ++b) fits = !taken[{column + a, row + b}];
        if (fits) break;
      }
      for (int a = 0; a < w; ++a)
        for (int b = 0; b < h; ++b) taken[{column + a, row + b}] = true;
      nodes[i].column = column;
      nodes[i].row = row;
    }
  }

  // Columns or rows of a grid; `room`: of the container, −1 while that is not known.
  std::vector<Px> tracks(size_t n, bool x, Px room) {
    const ContainerData& c = *nodes[n].item->container();
    cells(n);
    const Px gap = x ? c.gap : c.lineGap;
    int count = 1;
    for (size_t i : nodes[n].in)
      count =
          std::max(count, x ? nodes[i].column + wide(i, c) : nodes[i].row + nodes[i].item->rows);
    if (x && c.cells != Cells::Content) count = c.columns;
    std::vector<Px> out(size_t(count), 0);
    if (c.cells == Cells::Fixed) {
      std::fill(out.begin(), out.end(), x ? c.cellWidth : c.cellHeight);
      return out;
    }
    if (c.cells == Cells::Shared && room >= 0) {
      std::fill(out.begin(), out.end(),
                std::max(0.0, (room - 2 * c.padding - gap * (count - 1)) / count));
      return out;
    }
    for (int spans = 1; spans <= 64; ++spans)
      for (size_t i : nodes[n].in) {
        const int takes = x ? wide(i, c) : nodes[i].item->rows;
        if (takes != spans) continue;
        const int first = x ? nodes[i].column : nodes[i].row;
        Px has = gap * (takes - 1);
        for (int t = 0; t < takes; ++t) has += out[size_t(first + t)];
        for (int t = 0; t < takes; ++t)
          out[size_t(first + t)] += std::max(0.0, size(i, x) - has) / takes;
      }
    if (c.cells == Cells::Shared)
      std::fill(out.begin(), out.end(), *std::max_element(out.begin(), out.end()));
    return out;
  }

  void put(size_t n, bool x, Px at, Px length) {
    corner(nodes[n].box, x) = at;
    side(nodes[n].box, x) = length;
    if (nodes[n].item->container()) arrange(n, x);
  }

  void across(size_t n, bool x, const ContainerData& c, Px from, Px room, Px base) {
    const AxisPlace& a = axis(nodes[n], x);
    Px length = base;
    if (c.across == Across::Stretch || a.rest > 0) length = bound(a, std::max(0.0, room));
    if (c.across == Across::Centre) from += (room - length) / 2;
    if (c.across == Across::End) from += room - length;
    put(n, x, from, length);
  }

  // Of one line: the shares are found by trying units, each time in half as large a step.
  void along(const std::vector<size_t>& of, bool x, const ContainerData& c,
             const std::vector<Px>& base, Px from, Px room) {
    Px left = room - c.gap * double(of.size() - 1);
    bool any = false;
    for (size_t i = 0; i < of.size(); ++i)
      axis(nodes[of[i]], x).rest > 0 ? void(any = true) : void(left -= base[i]);
    const auto sized = [&](double unit, size_t i) {
      const AxisPlace& a = axis(nodes[of[i]], x);
      return a.rest > 0 ? bound(a, unit * a.rest) : base[i];
    };
    const auto taken = [&](double unit) {
      Px out = 0;
      for (size_t i = 0; i < of.size(); ++i)
        if (axis(nodes[of[i]], x).rest > 0) out += sized(unit, i);
      return out;
    };
    double low = 0, high = 1e7;
    for (int step = 0; any && step < 200; ++step) {
      const double middle = (low + high) / 2;
      (taken(middle) <= left ? low : high) = middle;
    }
    left -= any ? taken(low) : 0;
    Px gap = c.gap, at = from;
    if (left > 1e-6 && c.along == Along::Centre) at += left / 2;
    if (left > 1e-6 && c.along == Along::End) at += left;
    if (left > 1e-6 && c.along == Along::Spread && of.size() > 1)
      gap += left / double(of.size() - 1);
    for (size_t i = 0; i < of.size(); ++i) {
      put(of[i], x, at, sized(low, i));
      at += sized(low, i) + gap;
    }
  }

  void arrange(size_t n, bool x) {
    const ContainerData& c = *nodes[n].item->container();
    const auto in = nodes[n].in;
    const Px from = corner(nodes[n].box, x), room = side(nodes[n].box, x);
    if (in.empty()) return;
    if (c.flow == Flow::Free) {
      for (size_t i : in) pinned(i, x, from + c.padding, room - 2 * c.padding);
      return;
    }
    if (c.flow == Flow::Ring) {
      const double steps =
          std::abs(c.sweep) >= 360 ? double(in.size()) : std::max<double>(1, double(in.size()) - 1);
      for (size_t i = 0; i < in.size(); ++i) {
        const double a =
            (c.start + c.sweep * double(i) / steps - 90) * 3.14159265358979323846 / 180;
        const Px s = size(in[i], x);
        put(in[i], x, from + room / 2 + c.radius * (x ? std::cos(a) : std::sin(a)) - s / 2, s);
      }
      return;
    }
    if (c.flow == Flow::Grid) {
      const auto t = tracks(n, x, room);
      const Px gap = x ? c.gap : c.lineGap;
      for (size_t i : in) {
        const int first = x ? nodes[i].column : nodes[i].row,
                  takes = x ? wide(i, c) : nodes[i].item->rows;
        Px at = from + c.padding, has = gap * (takes - 1);
        for (int k = 0; k < first; ++k) at += t[size_t(k)] + gap;
        for (int k = first; k < first + takes; ++k) has += t[size_t(k)];
        across(i, x, c, at, has, size(i, x));
      }
      return;
    }
    const auto base = sizes(in, c, x);
    if (x == (c.flow == Flow::Row)) {
      std::vector<size_t> line;
      std::vector<Px> lineBase;
      Px taken = 0;
      int number = 0;
      const auto end = [&] {
        if (!line.empty()) along(line, x, c, lineBase, from + c.padding, room - 2 * c.padding);
        line.clear();
        lineBase.clear();
        taken = 0;
      };
      for (size_t i = 0; i < in.size(); ++i) {
        const Px next = line.empty() ? base[i] : taken + c.gap + base[i];
        if (c.flow == Flow::Row && c.wraps && !line.empty() && next > room - 2 * c.padding + 1e-6) {
          end();
          ++number;
        }
        taken = line.empty() ? base[i] : taken + c.gap + base[i];
        nodes[in[i]].line = number;
        line.push_back(in[i]);
        lineBase.push_back(base[i]);
      }
      return end();
    }
    Px at = from + c.padding;
    for (size_t i = 0; i < in.size();) {
      size_t to = i;
      Px high = 0;
      for (; to < in.size() && nodes[in[to]].line == nodes[in[i]].line; ++to)
        high = std::max(high, base[to]);
      const bool wraps = c.wraps && c.flow == Flow::Row;
      const Px there = wraps ? high : room - 2 * c.padding;
      // Nothing here has a caption, so that the baseline of each is its lower edge.
      const bool feet = c.flow == Flow::Row && c.across == Across::Baseline;
      for (; i < to; ++i)
        feet ? put(in[i], x, at + high - base[i], base[i])
             : across(in[i], x, c, at, there, base[i]);
      at += there + c.lineGap;
    }
  }

  std::vector<Node> nodes;
};

}  // namespace

std::vector<Box> plainLayout(const Screen& screen, Px width, Px height, bool rightToLeft) {
  Plain plain(screen);
  for (const bool x : {true, false})
    for (size_t n = 0; n < plain.nodes.size(); ++n)
      if (!plain.nodes[n].item->parent) plain.pinned(n, x, 0, x ? width : height);
  std::vector<Box> out;
  for (const Node& n : plain.nodes) out.push_back(n.box);
  if (!rightToLeft) return out;
  // What is in a container is the mirror image within it, from the outside in.
  std::map<std::string, size_t> at;
  for (size_t n = 0; n < out.size(); ++n) at[plain.nodes[n].item->id.text] = n;
  const std::vector<Box> before = out;
  for (size_t n = 0; n < out.size(); ++n) {
    const Item& item = *plain.nodes[n].item;
    if (!item.parent) {
      // On the screen what is pinned is mirrored, and what is not stays where it was drawn.
      if (item.place.x.pin != Pin::None) out[n].x = width - before[n].x - before[n].w;
      continue;
    }
    const size_t holder = at[item.parent.text];
    const Px inside = before[n].x - before[holder].x;
    out[n].x = out[holder].x + before[holder].w - inside - before[n].w;
  }
  return out;
}

}  // namespace bristle::test
