// One thing that is wrong with a project, or doubtful.
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// As SARIF 2.1.0 §3.27.10 has them: does not work; works, but not as it should; may be meant.
enum class Severity : std::uint8_t { Error, Warning, Note };
// “error”, “warning” or “note”.
std::string_view nameOf(Severity severity);

// A rule fills in what it knows; `severity` and `key` are set by whoever runs it, and `rule`,
// unless it says one itself.
struct Finding {
  std::string_view rule = {};  // the rule's stable name (rule_info.h)
  Severity severity = Severity::Error;
  // The same as long as the same thing is wrong, whatever is renamed: the rule and ids.
  std::string key = {};
  std::string place = {};   // in the words of the project
  std::string reason = {};  // what is wrong and why it matters
  // Where a view goes to; what does not apply is empty.
  KindId kind = {};
  MachineId machine = {};
  StateId state = {};
  ScreenId screen = {};
  ItemId item = {};
  DisplayId display = {};  // where it shows worst
  LanguageId language = {};
  std::string detail = {};  // which of several at one place: ids, numbers or files, never names
  // What was measured and what is asked for, in `unit`; nothing where there is no figure.
  std::optional<double> figure = {}, limit = {};
  std::string_view unit = {};
  std::vector<Edit> mends = {};  // each would mend it; its name says what it does
};
using Findings = std::vector<Finding>;

}  // namespace bristle
