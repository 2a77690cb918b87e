// Takes kinds from one project to another, with their machines, named values and values.
#pragma once
#include <map>
#include <set>
#include <string>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// A project that holds these kinds and what they need, and nothing else: a library.
Project libraryOf(const Project& project, const std::vector<KindId>& kinds);

// What would be taken has the name of something else here.
struct LibraryConflict {
  enum class Sort { Kind, Named } sort = Sort::Kind;
  std::string name;
  auto operator<=>(const LibraryConflict&) const = default;
};
// What of a library is in the project already, under the same id or name, but otherwise.
std::vector<LibraryConflict> conflictsWith(const Project& project, const Project& library,
                                           const std::vector<KindId>& kinds);

enum class OnConflict {
  Both,    // the taken one gets a free name
  Mine,    // what is here stays, and serves what is taken
  Theirs,  // what is here is replaced; all that used it follows
};
// What taking gives.
struct Taken {
  Project project;  // after it
  // By what they were in the library: what serves here. Values are found by their names.
  std::map<KindId, KindId> kinds;
  std::map<NamedId, NamedId> names;
  std::map<ValueId, ValueId> values;
};
// Kinds, and named values and values besides those that the kinds use.
struct Wanted {
  std::vector<KindId> kinds;
  std::set<NamedId> names;
  std::set<ValueId> values;
};
// Conflicts that are not listed are solved with Both. Kinds that are here already, equal in all,
// are not taken twice.
Result<Taken> take(const Project& before, const Project& library, const Wanted& wanted,
                   const std::map<LibraryConflict, OnConflict>& answers);
// The names that values of a look use.
void collectNames(const LookValues& values, std::set<NamedId>& names);
// The same as an edit.
Edit takeKinds(Shared<Project> library, std::vector<KindId> kinds,
               std::map<LibraryConflict, OnConflict> answers);

}  // namespace bristle
