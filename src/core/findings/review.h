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
  // What may matter to all parts of a sort; counted up when it is another.
  template <class T>
  struct Counted {
    T now = {};
    std::uint64_t count = 0;
    void look(T fresh) {
      if (count == 0 || !(fresh == now)) now = std::move(fresh), ++count;
    }
  };
  struct Around {
    Shared<NamedValues> named;
    std::vector<Display> displays;
    std::vector<Language> languages;
    Settings settings;
    bool operator==(const Around& other) const;
  };
  struct Steps {
    std::vector<ScreenId> screens;  // that there are
    std::vector<Shortcut> shortcuts;
    std::vector<Binding> bindings;
    bool operator==(const Steps& other) const = default;
  };
  // All that the rules' answers for one part may rest on; parts are compared by identity.
  struct Basis {
    std::vector<Shared<Kind>> kinds = {};
    std::vector<Shared<Machine>> machines = {};
    std::vector<Shared<Screen>> screens = {};
    std::uint64_t around = 0, values = 0, steps = 0;
    std::optional<Colour> ground = {};  // what a kind stands on
    bool same(const Basis& other) const;
  };
  struct Kept {
    Basis basis;
    std::map<size_t, Findings> found;  // by rule: what was looked at whole
    std::uint64_t round = 0;
  };
  class Run;
  Counted<Around> around_;
  Counted<std::vector<ProjectValue>> values_;
  Counted<Steps> steps_;
  enum class Sort { Kind, Machine, Screen };
  std::map<std::pair<Sort, std::string>, Kept> kept_;  // by the part's id
  std::uint64_t round_ = 0;
  int looked_ = 0;
};

}  // namespace bristle
