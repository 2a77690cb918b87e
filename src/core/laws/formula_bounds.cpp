#include "core/laws/formula_bounds.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace bristle {
namespace {

constexpr size_t kMostForms = 32;
constexpr std::uint32_t kConstant = 0xffffffff;

// factor × value + offset.
struct Form {
  std::uint32_t value = kConstant;
  double factor = 0, offset = 0;
  bool constant() const { return value == kConstant || factor == 0; }
  auto operator<=>(const Form&) const = default;
};
// All that a subexpression may be: signals and comparisons are 0 or 1, whichever.
using Forms = std::vector<Form>;

Form number(double n) {
  return {kConstant, 0, n};
}

}  // namespace

// Walks the operations with sets of linear forms in place of numbers.
class BoundsWalk {
 public:
  explicit BoundsWalk(ValueBounds& bounds) : bounds_(bounds) {}

  Forms walk(const Formula& formula) {
    using Code = Formula::Code;
    std::vector<Forms> stack;
    const auto pop = [&] {
      Forms top = std::move(stack.back());
      stack.pop_back();
      return top;
    };
    for (const Formula::Op& op : formula.ops_) {
      switch (op.code) {
        case Code::Number:
          stack.push_back({number(op.number)});
          continue;
        case Code::Signal:
          stack.push_back(truth());
          continue;
        case Code::ReadValue:
          bounds_.at[op.index];
          stack.push_back({{op.index, 1, 0}});
          continue;
        case Code::Not:
          zeros(pop());
          stack.push_back(truth());
          continue;
        case Code::Negate:
          stack.push_back(each(pop(), {number(-1)}, &BoundsWalk::product));
          continue;
        default:
          break;
      }
      const Forms b = pop(), a = pop();
      switch (op.code) {
        case Code::And:
        case Code::Or:
          zeros(a);
          zeros(b);
          stack.push_back(truth());
          break;
        case Code::Add:
          stack.push_back(each(a, b, &BoundsWalk::sum));
          break;
        case Code::Sub:
          stack.push_back(each(a, each(b, {number(-1)}, &BoundsWalk::product), &BoundsWalk::sum));
          break;
        case Code::Mul:
          stack.push_back(each(a, b, &BoundsWalk::product));
          break;
        case Code::Div:
          stack.push_back(each(a, b, &BoundsWalk::quotient));
          break;
        default:  // a comparison: it turns where the difference is zero
          zeros(each(a, each(b, {number(-1)}, &BoundsWalk::product), &BoundsWalk::sum));
          stack.push_back(truth());
      }
    }
    return stack.empty() ? Forms{} : stack.back();
  }

  void zeros(const Forms& forms) {
    for (const Form& f : forms)
      if (!f.constant()) add(f.value, -f.offset / f.factor);
  }
  void add(std::uint32_t value, double at) {
    if (std::isfinite(at)) bounds_.at[value].insert(at == 0 ? 0.0 : at);
  }

 private:
  static Forms truth() { return {number(0), number(1)}; }
  void unsolved(const char* why) {
    if (bounds_.solved) bounds_.why = why;
    bounds_.solved = false;
  }
  Forms each(const Forms& a, const Forms& b, Form (BoundsWalk::*join)(const Form&, const Form&)) {
    std::set<Form> out;
    for (const Form& x : a)
      for (const Form& y : b) out.insert((this->*join)(x, y));
    if (out.size() > kMostForms) {
      unsolved("a formula has too many cases");
      return {number(0)};
    }
    return {out.begin(), out.end()};
  }
  Form sum(const Form& a, const Form& b) {
    if (a.constant()) return {b.value, b.factor, a.offset + b.offset};
    if (b.constant()) return {a.value, a.factor, a.offset + b.offset};
    if (a.value == b.value && a.factor + b.factor != 0)
      return {a.value, a.factor + b.factor, a.offset + b.offset};
    // What is left of a value that cancels itself out is decided by rounding.
    if (a.value == b.value) {
      unsolved("a value cancels itself out in a formula");
      return number(a.offset + b.offset);
    }
    unsolved("a formula puts two values together");
    return number(0);
  }
  Form product(const Form& a, const Form& b) {
    if (a.constant()) return {b.value, b.factor * a.offset, b.offset * a.offset};
    if (b.constant()) return {a.value, a.factor * b.offset, a.offset * b.offset};
    unsolved("a formula multiplies values");
    return number(0);
  }
  Form quotient(const Form& a, const Form& b) {
    if (!b.constant()) {
      unsolved("a formula divides by a value");
      return number(0);
    }
    if (b.offset == 0) return number(0);  // division by zero is 0
    return {a.value, a.factor / b.offset, a.offset / b.offset};
  }

  ValueBounds& bounds_;
};

void addBounds(const Formula& guard, ValueBounds& bounds) {
  BoundsWalk walk(bounds);
  walk.zeros(walk.walk(guard));
}

bool addSources(const Formula& effect, std::uint32_t target, ValueBounds& bounds) {
  const auto wanted = bounds.at.find(target);
  if (wanted == bounds.at.end()) return false;  // no guard minds it
  const std::set<double> crossings = wanted->second;
  const auto count = [&] {
    size_t n = bounds.at.size();
    for (const auto& entry : bounds.at) n += entry.second.size();
    return n;
  };
  const size_t before = count();
  BoundsWalk walk(bounds);
  for (const Form& f : walk.walk(effect))
    if (!f.constant())
      for (const double at : crossings) walk.add(f.value, (at - f.offset) / f.factor);
  return count() > before;
}

}  // namespace bristle
