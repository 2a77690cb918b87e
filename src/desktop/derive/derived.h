// Layouts and routes of screens, kept as long as what they rest on is the same. What would take
// more than a moment is made on a worker, and told when it is there.
#pragma once
#include <QObject>
#include <list>

#include "core/derive/shown_screen.h"
#include "desktop/derive/latest.h"
#include "runtime/focus/scopes.h"

namespace bristle {

class Derived : public QObject {
  Q_OBJECT
 public:
  // `measure` must outlive it, and may be asked by workers.
  explicit Derived(const TextMeasure& measure);

  // Null where there is no such screen. Made at once: it takes under 4 ms for 10,000 items.
  std::shared_ptr<const Layout> layout(const ShownScreen& shown);
  // Null where there is no such screen. Of many buttons the routes are not solved at first: all
  // lead nowhere until ready() tells that they are there.
  std::shared_ptr<const ScreenRoutes> routes(const ShownScreen& shown);
  bool busy() const { return solving_.busy(); }

  // How often each was made, so that tests can count the work that is done.
  struct Made {
    int layouts = 0, routes = 0;
  };
  const Made& made() const { return made_; }

 Q_SIGNALS:
  // Routes that were solved on a worker are there.
  void ready();

 private:
  static constexpr size_t kMostKept = 32;
  static constexpr size_t kMostAtOnce = 1500;  // boxes: 5 ms at first, then 0.5 ms after each move
  struct Kept {
    ShownScreen shown;
    std::shared_ptr<const Layout> layout;
    std::shared_ptr<const ScreenRoutes> routes = nullptr;
    bool solved = false;  // the routes; where not, a worker has been asked, or gave up
  };
  Kept* kept(const ShownScreen& shown);
  using Solved = std::pair<ShownScreen, std::shared_ptr<const ScreenRoutes>>;

  const TextMeasure& measure_;
  std::list<Kept> kept_;              // the one used last first
  std::optional<ShownScreen> asked_;  // what is being solved
  Latest<Solved> solving_;
  ScopeSolver solver_;  // on the interface thread
  Made made_;
};

}  // namespace bristle
