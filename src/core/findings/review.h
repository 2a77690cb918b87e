// Checks a project again and again: what rests on parts that are still the same is not looked at
// anew.
#pragma once
#include <map>

#include "core/findings/finding.h"
#include "core/findings/probes.h"

namespace bristle {

class Review {
 public:
  // As check(), in the same order.
  Findings check(const Project& project, const Probes& probes = {});
  // How many parts the rules looked at in the last check: the work that was done.
  int looked() const { return looked_; }

 private:
  // All that a rule's answer for one part may rest on; parts are compared by identity.
  struct Basis {
    std::vector<Shared<Kind>> kinds;
    std::vector<Shared<Machine>> machines;
    std::vector<Shared<Screen>> screens;
    std::vector<Shared<NamedValues>> named;
    std::vector<ScreenId> names;  // of the screens that there are
    std::vector<Display> displays;
    std::vector<Language> languages;
    std::vector<ProjectValue> values;
    Settings settings;
    std::vector<Shortcut> shortcuts;
    std::vector<Binding> bindings;
    bool same(const Basis& other) const;
  };
  struct Kept {
    Basis basis;
    Findings found;
    std::uint64_t round = 0;
  };
  class Run;
  std::map<std::pair<size_t, std::string>, Kept> kept_;  // by rule and the part's id
  std::uint64_t round_ = 0;
  int looked_ = 0;
};

}  // namespace bristle
