#include "runtime/machine/formula.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <utility>

#include "runtime/document/numbers.h"
#include "runtime/machine/formula_words.h"

namespace bristle {

namespace {
// Deeper formulas are refused when compiled, so that running them needs no checks.
constexpr int kDeepest = 32;
constexpr std::array<std::pair<std::string_view, Signals::Bit>, 6> kSignals{
    {{"over", Signals::Over},
     {"armed", Signals::Armed},
     {"down", Signals::Down},
     {"focus", Signals::Focus},
     {"enabled", Signals::Enabled},
     {"current", Signals::Current}}};
}  // namespace

int Symbols::valueIndex(const ValueId& id) const {
  const auto at = std::find(values.begin(), values.end(), id);
  return at == values.end() ? -1 : static_cast<int>(at - values.begin());
}

namespace {
int indexIn(std::vector<std::string>& all, std::string_view name) {
  const auto at = std::find(all.begin(), all.end(), name);
  if (at != all.end()) return static_cast<int>(at - all.begin());
  all.emplace_back(name);
  return static_cast<int>(all.size()) - 1;
}
}  // namespace

int Symbols::messageIndex(std::string_view name) {
  return indexIn(messages, name);
}

int Symbols::markIndex(std::string_view what, std::string_view id) const {
  for (size_t i = 0; i < marks.size(); ++i) {
    const std::string_view mark = marks[i];
    if (mark.size() == what.size() + 1 + id.size() && mark.starts_with(what) && mark.ends_with(id))
      return static_cast<int>(values.size() + i);
  }
  return -1;
}

int Symbols::soundIndex(std::string_view file) {
  return indexIn(sounds, file);
}

bool Formula::reads(Signals::Bit signal) const {
  return std::any_of(ops_.begin(), ops_.end(),
                     [&](const Op& op) { return op.code == Code::Signal && op.index == signal; });
}

double Formula::value(Signals signals, std::span<const double> values) const {
  std::array<double, kDeepest + 1> stack{};
  size_t top = 0;
  for (const Op& op : ops_) {
    switch (op.code) {
      case Code::Number:
        stack[top++] = op.number;
        continue;
      case Code::Signal:
        stack[top++] = (signals.bits & op.index) ? 1 : 0;
        continue;
      case Code::ReadValue:
        stack[top++] = op.index < values.size() ? values[op.index] : 0;
        continue;
      case Code::Not:
        stack[top - 1] = stack[top - 1] == 0;
        continue;
      case Code::Negate:
        stack[top - 1] = -stack[top - 1];
        continue;
      default:
        break;
    }
    const double b = stack[--top];
    double& a = stack[top - 1];
    switch (op.code) {
      case Code::And:
        a = a != 0 && b != 0;
        break;
      case Code::Or:
        a = a != 0 || b != 0;
        break;
      case Code::Add:
        a += b;
        break;
      case Code::Sub:
        a -= b;
        break;
      case Code::Mul:
        a *= b;
        break;
      case Code::Div:
        a = b == 0 ? 0 : a / b;
        break;
      case Code::Eq:
        a = a == b;
        break;
      case Code::Ne:
        a = a != b;
        break;
      case Code::Lt:
        a = a < b;
        break;
      case Code::Le:
        a = a <= b;
        break;
      case Code::Gt:
        a = a > b;
        break;
      case Code::Ge:
        a = a >= b;
        break;
      default:
        break;
    }
  }
  return top ? stack[0] : 1;
}

std::string Formula::inEcmaScript(const std::function<std::string(std::uint32_t)>& name,
                                  bool* divides) const {
  std::vector<std::string> stack;
  const auto truth = [](const std::string& test) { return "(" + test + " ? 1 : 0)"; };
  for (const Op& op : ops_) {
    if (op.code == Code::Number) stack.push_back(fmt::format("{:.17g}", op.number));
    if (op.code == Code::ReadValue) stack.push_back(name(op.index));
    if (op.code == Code::Signal)
      for (const auto& [word, bit] : kSignals)
        if (bit == op.index) stack.push_back(truth(std::string(word)));
    if (op.code == Code::Number || op.code == Code::ReadValue || op.code == Code::Signal) continue;
    std::string b = std::move(stack.back());
    stack.pop_back();
    if (op.code == Code::Not) stack.push_back("(" + b + " ? 0 : 1)");
    if (op.code == Code::Negate) stack.push_back("(-" + b + ")");
    if (op.code == Code::Not || op.code == Code::Negate) continue;
    std::string& a = stack.back();
    const auto simple = [&](const char* sign) { a = "(" + a + " " + sign + " " + b + ")"; };
    switch (op.code) {
      case Code::Add:
        simple("+");
        break;
      case Code::Sub:
        simple("-");
        break;
      case Code::Mul:
        simple("*");
        break;
      case Code::Div:
        a = "divided(" + a + ", " + b + ")";
        *divides = true;
        break;
      default: {
        static constexpr std::array<std::pair<Code, const char*>, 8> kTests{{{Code::And, "&&"},
                                                                             {Code::Or, "||"},
                                                                             {Code::Eq, "=="},
                                                                             {Code::Ne, "!="},
                                                                             {Code::Lt, "<"},
                                                                             {Code::Le, "<="},
                                                                             {Code::Gt, ">"},
                                                                             {Code::Ge, ">="}}};
        for (const auto& [code, sign] : kTests)
          if (code == op.code) {
            a = truth(a + " " + sign + " " + b);
            break;
          }
      }
    }
  }
  return stack.empty() ? "1" : stack.back();
}

// Recursive descent, one level of binding a function; writes the operations as it goes.
class FormulaParser {
 public:
  FormulaParser(std::string_view text, const Symbols& symbols) : text_(text), symbols_(symbols) {}

  Result<Formula> parse() {
    next();
    if (token_.empty()) return formula_;
    orLevel();
    if (why_.empty() && !token_.empty()) complain("the end of the formula");
    if (why_.empty() && deepest_ > kDeepest) why_ = "the formula is nested too deeply";
    if (!why_.empty()) return fail(fmt::format("column {}", where_ + 1), why_);
    return formula_;
  }

 private:
  using Code = Formula::Code;

  void next() {
    while (at_ < text_.size() && text_[at_] == ' ') ++at_;
    from_ = at_;
    if (at_ < text_.size()) {
      if (isWordly(text_[at_])) {
        while (at_ < text_.size() && isWordly(text_[at_])) ++at_;
      } else {
        const auto two = text_.substr(at_, 2);
        at_ += two == "<=" || two == ">=" || two == "!=" ? 2 : 1;
      }
    }
    token_ = text_.substr(from_, at_ - from_);
  }

  void complain(const std::string& wanted) {
    if (!why_.empty()) return;
    where_ = from_;
    why_ = token_.empty() ? fmt::format("the formula ends where {} was expected", wanted)
                          : fmt::format("“{}” where {} was expected", token_, wanted);
    token_ = {};
    at_ = text_.size();
  }

  bool take(std::string_view word) {
    if (token_ != word) return false;
    next();
    return true;
  }

  void emit(Code code, std::uint32_t index = 0, double number = 0) {
    const bool pushes = code <= Code::ReadValue;
    const bool joins = code >= Code::And;
    depth_ += pushes ? 1 : joins ? -1 : 0;
    deepest_ = std::max(deepest_, depth_);
    formula_.ops_.push_back({code, index, number});
  }

  // Levels that only chain one sort of operator: `table` lists its words, `inner` binds tighter.
  template <size_t N, class Inner>
  void chain(const std::array<std::pair<std::string_view, Code>, N>& table, Inner inner) {
    inner();
    while (why_.empty()) {
      const auto at = std::find_if(table.begin(), table.end(),
                                   [&](const auto& entry) { return entry.first == token_; });
      if (at == table.end()) return;
      next();
      inner();
      emit(at->second);
    }
  }

  void orLevel() {
    static constexpr std::array<std::pair<std::string_view, Code>, 1> t{{{"or", Code::Or}}};
    chain(t, [this] { andLevel(); });
  }
  void andLevel() {
    static constexpr std::array<std::pair<std::string_view, Code>, 1> t{{{"and", Code::And}}};
    chain(t, [this] { compareLevel(); });
  }
  void compareLevel() {
    static constexpr std::array<std::pair<std::string_view, Code>, 6> t{{{"=", Code::Eq},
                                                                         {"!=", Code::Ne},
                                                                         {"<", Code::Lt},
                                                                         {"<=", Code::Le},
                                                                         {">", Code::Gt},
                                                                         {">=", Code::Ge}}};
    chain(t, [this] { sumLevel(); });
  }
  void sumLevel() {
    static constexpr std::array<std::pair<std::string_view, Code>, 2> t{
        {{"+", Code::Add}, {"-", Code::Sub}}};
    chain(t, [this] { productLevel(); });
  }
  void productLevel() {
    static constexpr std::array<std::pair<std::string_view, Code>, 2> t{
        {{"*", Code::Mul}, {"/", Code::Div}}};
    chain(t, [this] { unary(); });
  }

  void unary() {
    if (!why_.empty()) return;
    if (++nesting_ > 200) return complain("fewer brackets");
    if (take("not")) {
      unary();
      emit(Code::Not);
    } else if (take("-")) {
      unary();
      emit(Code::Negate);
    } else if (take("(")) {
      orLevel();
      if (!take(")")) complain("a closing bracket");
    } else {
      atom();
    }
    --nesting_;
  }

  void atom() {
    if (token_ == "yes" || token_ == "no") {
      emit(Code::Number, 0, token_ == "yes" ? 1 : 0);
      return next();
    }
    for (const auto& [name, bit] : kSignals) {
      if (token_ != name) continue;
      emit(Code::Signal, bit);
      return next();
    }
    if (token_.starts_with('@')) {
      const int index = symbols_.valueIndex(ValueId{std::string(token_.substr(1))});
      if (index < 0) return complain("a value of the project");
      emit(Code::ReadValue, static_cast<std::uint32_t>(index));
      return next();
    }
    if ((token_ == "visited" || token_ == "open") && !symbols_.marks.empty()) return mark(token_);
    const NumberRead read = readNumber(token_);
    if (read.length == 0 || read.length != token_.size() || read.tooLarge)
      return complain("a signal, a value or a number");
    emit(Code::Number, 0, read.value);
    next();
  }

  // visited(@i5), open(@s2)
  void mark(std::string_view what) {
    next();
    if (!take("(")) return complain("an opening bracket");
    const int index = token_.starts_with('@') ? symbols_.markIndex(what, token_.substr(1)) : -1;
    if (index < 0) return complain(what == "open" ? "a screen" : "a button or a screen");
    emit(Code::ReadValue, static_cast<std::uint32_t>(index));
    next();
    if (!take(")")) complain("a closing bracket");
  }

  std::string_view text_;
  const Symbols& symbols_;
  Formula formula_;
  std::string_view token_;
  std::string why_;
  size_t at_ = 0, from_ = 0, where_ = 0;
  int depth_ = 0, deepest_ = 0, nesting_ = 0;
};

Result<Formula> compileFormula(std::string_view text, const Symbols& symbols) {
  return FormulaParser(text, symbols).parse();
}

}  // namespace bristle
