// What can be done with what is picked on the canvas: lining up, spreading, evening, grouping,
// ordering. Each is one edit; what cannot be done is told.
#pragma once
#include <QString>
#include <optional>
#include <vector>

#include "core/arrange/align.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

// What is lined up to: all that is picked, the first of it, what holds it, or the safe area.
enum class LineUpTo { Picked, First, Holder, Safe };

class Arranging {
 public:
  explicit Arranging(Work& work) : work_(work) {}
  LineUpTo to() const { return to_; }
  void setTo(LineUpTo to) { to_ = to; }

  void lineUp(Alignment how);
  void spread(bool horizontal, Spread how);
  // In px; less than 0 lets them overlap.
  bool space(bool horizontal, double gap);
  // The gap that all of what is picked has along that axis; nothing where it differs.
  std::optional<double> gap(bool horizontal) const;
  // How many things can be moved by themselves.
  size_t movable() const;
  void even(bool widths, bool heights);

  // Puts what is picked into a new container; into a free one where it stands.
  void gather(Flow flow);
  // Takes the picked container away and leaves what is in it.
  void dissolve();
  void reorder(int by);
  void lock();
  void hide();

 private:
  struct Movers;
  Movers movers(size_t least, const QString& otherwise) const;
  void place(const Movers& movers, const std::vector<Box>& boxes, const char* name);
  void toggle(bool Item::*flag, const char* on, const char* off);

  Work& work_;
  LineUpTo to_ = LineUpTo::Picked;
};

}  // namespace bristle
