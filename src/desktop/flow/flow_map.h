// The picture of a project's flow in numbers: which screens lie where, which buttons on them lead
// on, and the strokes between, in px of the map.
#pragma once
#include <QPainterPath>
#include <QPointF>
#include <map>
#include <vector>

#include "core/derive/flow_graph.h"
#include "core/derive/flow_layout.h"
#include "core/derive/shown_screen.h"
#include "runtime/layout/layout.h"

namespace bristle {

class Work;

class FlowMap {
 public:
  // Of the project as it is shown now; screens that are the same keep their layout.
  void update(Work& work);

  const FlowGraph& graph() const { return graph_; }
  const FlowLayout& places() const { return places_; }
  QRectF box(int screen) const;
  // The button of a step, or another on that screen; where it cannot be seen, the edge nearest to
  // it. Empty where there is none.
  QRectF button(int screen, const ItemId& item) const;
  // From the very button to the screen; empty for a step that leads nowhere.
  const QPainterPath& stroke(size_t step) const { return strokes_[step]; }
  // Along it, closer where it bends; nothing where there is none.
  const std::vector<QPointF>& points(size_t step) const { return points_[step]; }
  // What else is told at a screen.
  struct Marks {
    int broken = 0;        // of its steps
    bool back = false;     // one of them goes back
    bool covered = false;  // another is drawn half over it
  };
  const Marks& marks(int screen) const { return marks_[size_t(screen)]; }
  // What its miniature shows.
  const ShownScreen& shown(int screen) const { return known_.at(ids_[size_t(screen)]).shown; }
  // What is at a place: the screen on top there, −1 none; the button of it.
  int screenAt(const QPointF& at) const;
  ItemId buttonAt(int screen, const QPointF& at) const;
  // The step whose stroke passes within `near` px; −1: none.
  int stepAt(const QPointF& at, double near) const;

  static constexpr double kWide = 190;  // of a picture, px

 private:
  struct Known {
    ShownScreen shown;
    Layout layout;
  };
  void makeStrokes();
  void makeMarks();
  QRectF startOf(const FlowStep& step) const;
  std::map<ScreenId, Known> known_;
  std::vector<ScreenId> ids_;
  FlowGraph graph_;
  FlowLayout places_;
  std::vector<QPainterPath> strokes_;
  std::vector<std::vector<QPointF>> points_;
  std::vector<Marks> marks_;
};

}  // namespace bristle
