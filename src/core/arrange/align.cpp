#include "core/arrange/align.h"

#include <algorithm>
#include <numeric>

namespace bristle {
namespace {

double& at(Box& box, bool horizontal) {
  return horizontal ? box.x : box.y;
}
double at(const Box& box, bool horizontal) {
  return horizontal ? box.x : box.y;
}
double size(const Box& box, bool horizontal) {
  return horizontal ? box.w : box.h;
}
double middle(const Box& box, bool horizontal) {
  return at(box, horizontal) + size(box, horizontal) / 2;
}

// By where their middles lie; what lies alike in the order that it came in.
std::vector<size_t> inOrder(std::span<const Box> boxes, bool horizontal) {
  std::vector<size_t> order(boxes.size());
  std::iota(order.begin(), order.end(), size_t{0});
  std::stable_sort(order.begin(), order.end(), [&](size_t a, size_t b) {
    return middle(boxes[a], horizontal) < middle(boxes[b], horizontal);
  });
  return order;
}

std::vector<Box> oneAfterAnother(std::span<const Box> boxes, std::span<const size_t> order,
                                 bool horizontal, double gap) {
  std::vector<Box> out(boxes.begin(), boxes.end());
  for (size_t i = 1; i < order.size(); ++i) {
    const Box& before = out[order[i - 1]];
    at(out[order[i]], horizontal) = at(before, horizontal) + size(before, horizontal) + gap;
  }
  return out;
}

}  // namespace

std::vector<Box> aligned(std::span<const Box> boxes, Alignment how, const Box& to) {
  std::vector<Box> out(boxes.begin(), boxes.end());
  for (Box& b : out) {
    switch (how) {
      case Alignment::Left:
        b.x = to.x;
        break;
      case Alignment::Centre:
        b.x = to.x + (to.w - b.w) / 2;
        break;
      case Alignment::Right:
        b.x = to.x + to.w - b.w;
        break;
      case Alignment::Top:
        b.y = to.y;
        break;
      case Alignment::Middle:
        b.y = to.y + (to.h - b.h) / 2;
        break;
      case Alignment::Bottom:
        b.y = to.y + to.h - b.h;
        break;
    }
  }
  return out;
}

std::vector<Box> spreadOut(std::span<const Box> boxes, bool horizontal, Spread how) {
  std::vector<Box> out(boxes.begin(), boxes.end());
  if (boxes.size() < 3) return out;
  const auto order = inOrder(boxes, horizontal);
  const Box &first = boxes[order.front()], &last = boxes[order.back()];
  const double steps = static_cast<double>(order.size() - 1);
  if (how == Spread::Centres) {
    const double step = (middle(last, horizontal) - middle(first, horizontal)) / steps;
    for (size_t i = 1; i + 1 < order.size(); ++i)
      at(out[order[i]], horizontal) = middle(first, horizontal) + step * static_cast<double>(i) -
                                      size(out[order[i]], horizontal) / 2;
    return out;
  }
  double taken = 0;
  for (const Box& box : boxes) taken += size(box, horizontal);
  const double room = at(last, horizontal) + size(last, horizontal) - at(first, horizontal);
  return oneAfterAnother(boxes, order, horizontal, (room - taken) / steps);
}

std::vector<Box> spacedBy(std::span<const Box> boxes, bool horizontal, double gap) {
  return oneAfterAnother(boxes, inOrder(boxes, horizontal), horizontal, gap);
}

std::vector<Box> evened(std::span<const Box> boxes, bool widths, bool heights, const Box& as) {
  std::vector<Box> out(boxes.begin(), boxes.end());
  for (Box& b : out) {
    if (widths) b.w = as.w;
    if (heights) b.h = as.h;
  }
  return out;
}

}  // namespace bristle
