// What there is to say of a rule wherever a finding of it is told: what it asks for, to whom it
// matters and why, and the section of a standard that it follows.
#pragma once
#include <span>
#include <string_view>

#include "core/findings/finding.h"

namespace bristle {

enum class RuleGroup : std::uint8_t {
  References,  // what is gone, missing or unused
  Looks,       // what can be seen and told apart
  Hitting,     // size and distance
  Texts,
  Names,
  Machines,
  Routes,
  Flow,
  Layout,
  Consistency,
};

struct RuleInfo {
  std::string_view name;  // stable
  RuleGroup group;
  Severity severity;
  std::string_view asks;           // in one sentence
  std::string_view why;            // to whom it matters, and why
  std::string_view standard = {};  // “WCAG 2.2 §2.5.8”; empty: ours
};

// All of them, group by group.
std::span<const RuleInfo> ruleInfos();
// Of the rule of that name; what nobody has described is a note without words.
const RuleInfo& infoOf(std::string_view rule);
// “References”, “Looks” …
std::string_view nameOf(RuleGroup group);

}  // namespace bristle
