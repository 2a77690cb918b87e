// How good the routes of the screen are, in figures, each of which leads to the places that it
// counts; and the moves that a person would wonder about, with what would mend them. Made on a
// worker.
#pragma once
#include <array>

#include "core/derive/route_quality.h"
#include "core/derive/route_wonder.h"
#include "core/derive/shown_screen.h"
#include "desktop/derive/latest.h"
#include "desktop/route/route_marks.h"
#include "desktop/view/form.h"

namespace bristle {

class Work;

class QualityPanel : public Form {
  Q_OBJECT
 public:
  explicit QualityPanel(Work& work);
  // Of all displays in all languages.
  const StripMarks& marks() const { return *marks_; }

 Q_SIGNALS:
  // The steps to each box from where focus starts, as they are now.
  void judged(const std::vector<int>& stepsTo);
  // Moves of the screen as it is shown.
  void wantsSeen(const std::vector<RouteMove>& moves);

 private:
  // Of the display and language shown, what leads elsewhere on others, and how all of them are.
  struct Found {
    RouteQuality quality;
    std::vector<std::pair<std::string, std::vector<RouteMove>>> elsewhere;  // with where
    std::vector<Wonder> wonders;
    RouteMarks::All everywhere;
  };
  static Found judge(const ShownScreen& shown, const Layout& layout, const ScreenRoutes& routes,
                     const std::atomic<bool>& stop);
  struct Figure {
    QString words;  // with %1 for the number
    std::vector<RouteMove> RouteQuality::*moves;
    QPushButton* button = nullptr;
    size_t next = 0;  // which of them is picked by the next press
  };
  void ask();
  void tell(Found found);
  void tellNothing();
  void buildWonders();
  void showWonder();
  void nextWonder();
  void mend(size_t which);
  void goTo(Figure& figure);
  void goTo(const std::vector<RouteMove>& moves, size_t& next);
  void goTo(const std::vector<int>& boxes);

  Work& work_;
  RouteMarks* marks_;
  QLabel* words_;
  QPushButton *unreachable_, *traps_, *elsewhere_;
  std::vector<Figure> figures_;
  Found found_;
  std::optional<ShownScreen> judgedOf_;  // what was asked for last
  Routes judged_;
  std::vector<RouteMove> otherMoves_;  // that lead elsewhere on some other display
  size_t nextOther_ = 0;
  QLabel *wonderHead_, *wonderWhy_;
  QPushButton* wonderNext_;
  std::array<QPushButton*, 3> mends_;
  std::optional<size_t> wonder_;  // of found_, the one that is told of
  Latest<Found> judging_;
};

}  // namespace bristle
