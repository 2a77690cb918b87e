// Formulas: the guards of transitions and what a SetValue effect sets. Signals are words (over,
// armed, down, focus, enabled, current), project values are @id, then numbers, yes, no, + - * /,
// = != < <= > >=, not, and, or, and brackets. All is a number; 0 is no. Division by zero is 0.
// Conditions may ask visited(@id) of a button or screen, and open(@id) of a screen.
//
//   auto guard = compileFormula("over and not down or @v3 >= 2", symbols);
//   if (guard && guard->holds(signals, values)) …
#pragma once
#include <cstdint>
#include <functional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"

namespace bristle {

// The signals of one placed button, as bits.
struct Signals {
  // Current: the button leads to the screen on which it stands.
  enum Bit : std::uint8_t { Over = 1, Armed = 2, Down = 4, Focus = 8, Enabled = 16, Current = 32 };
  std::uint8_t bits = Enabled;
  bool has(Bit bit) const { return bits & bit; }
  void set(Bit bit, bool on) { bits = static_cast<std::uint8_t>(on ? bits | bit : bits & ~bit); }
  bool operator==(const Signals&) const = default;
};

// The values, messages and sounds that machines may name, numbered, so that running machines need
// no texts. One for all the machines of a session.
struct Symbols {
  std::vector<ValueId> values;
  std::vector<std::string> messages;
  std::vector<std::string> sounds;  // files
  // What conditions ask beside values, numbered after them: “visited i5”, “open s2”.
  std::vector<std::string> marks;
  int valueIndex(const ValueId& id) const;  // −1 when there is none
  int messageIndex(std::string_view name);  // added when new
  int soundIndex(std::string_view file);    // the same
  // Among the numbers that formulas read; −1 when nobody asks for it.
  int markIndex(std::string_view what, std::string_view id) const;
};

class Formula {
 public:
  // Nothing is allocated and nothing can fail.
  double value(Signals signals, std::span<const double> values) const;
  bool holds(Signals signals, std::span<const double> values) const {
    return ops_.empty() || value(signals, values) != 0;
  }
  bool always() const { return ops_.empty(); }
  // Whether its value may depend on the signal.
  bool reads(Signals::Bit signal) const;
  // As an ECMAScript expression of the same value; values are named by `name(index)`. `divides` is
  // set where it calls the function divided(a, b), which is 0 for b = 0.
  std::string inEcmaScript(const std::function<std::string(std::uint32_t)>& name,
                           bool* divides) const;
  // What it reads and compares with: `value(index)` for each value, `number(n)` for each number.
  template <class UseValue, class UseNumber>
  void each(UseValue value, UseNumber number) const {
    for (const Op& op : ops_) {
      if (op.code == Code::ReadValue) value(op.index);
      if (op.code == Code::Number) number(op.number);
    }
  }

 private:
  friend class FormulaParser;
  friend class BoundsWalk;
  enum class Code : std::uint8_t {
    Number,
    Signal,
    ReadValue,
    Not,
    Negate,
    And,
    Or,
    Add,
    Sub,
    Mul,
    Div,
    Eq,
    Ne,
    Lt,
    Le,
    Gt,
    Ge,
  };
  struct Op {
    Code code;
    std::uint32_t index = 0;
    double number = 0;
  };
  std::vector<Op> ops_;  // reverse Polish
};

// The empty text compiles to a formula which always holds. The error's place is "column N".
Result<Formula> compileFormula(std::string_view text, const Symbols& symbols);

}  // namespace bristle
