// The history of a project: a list of projects, cheap because their parts are shared.
//
//   History history(emptyProject());
//   history.perform(addScreen("Title"));
//   history.undo();
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// A named function from project to project. Edits with the same non-empty merge key that follow
// one another become one step until the history is sealed (a drag's end).
struct Edit {
  std::string name;  // "move Dive", as undo says it
  std::string mergeKey;
  std::function<Result<Project>(const Project&)> apply;
};

// One step for several edits, one after another. What one of them cannot do any more, since another
// did it, is left out; refused where none of them can.
Edit together(std::string name, std::vector<Edit> edits);

// What differs between two projects, by identity of their shared parts; views refresh by it.
struct Change {
  bool settings = false, machines = false, kinds = false, screens = false;
  bool any() const { return settings || machines || kinds || screens; }
};
// What differs, by identity of the shared parts: equal copies count as changed.
Change changeBetween(const Project& before, const Project& after);

class History {
 public:
  // Begins with nothing to undo.
  explicit History(Project project) : now_(std::move(project)) {}
  const Project& now() const { return now_; }
  // An error leaves all as it was. An edit that changes nothing leaves no step.
  [[nodiscard]] Result<Change> perform(const Edit& edit);
  void seal() { open_ = false; }
  bool canUndo() const { return !past_.empty(); }
  bool canRedo() const { return !future_.empty(); }
  std::string undoName() const { return canUndo() ? past_.back().name : ""; }
  std::string redoName() const { return canRedo() ? future_.back().name : ""; }
  Change undo();
  Change redo();
  void markSaved() { saved_ = serial_; }
  void markUnsaved() { saved_ = -1; }
  bool saved() const { return saved_ == serial_; }

 private:
  struct Step {
    std::string name, mergeKey;
    Project project;  // before it in the past, after it in the future
    long serial = 0;  // of that project
  };
  Project now_;
  std::vector<Step> past_, future_;
  bool open_ = false;
  long serial_ = 0, lastSerial_ = 0, saved_ = 0;
};

}  // namespace bristle
