// Where the states of a machine stand when it is drawn as a graph, and the tapered strokes of its
// transitions. States stand in four columns, in the order in which a button goes through their
// roles; below them lies a rail, for the transitions from every state.
#pragma once
#include <QPainterPath>
#include <QRectF>
#include <vector>

#include "runtime/document/machine.h"

namespace bristle {

// All transitions from one state to another, by their places; `from` empty: from every state.
struct MachineLink {
  StateId from, to;
  std::vector<int> transitions;
};

class MachineGraph {
 public:
  // Drawn into that size, px, from 0, 0. The machine must outlive it.
  MachineGraph(const Machine& machine, const QSizeF& size) : machine_(machine), size_(size) {}
  // How many states stand below one another where there are most.
  int rows() const;
  // Of the rail, for the empty id; nothing where there is no such state.
  QRectF tileOf(const StateId& id) const;
  // In the order of their first transitions. What leads to states that are not there is left out.
  std::vector<MachineLink> links() const;
  // Wide where it leaves, a point where it arrives; there and back run side by side.
  QPainterPath strokeOf(const StateId& from, const StateId& to) const;
  QPointF middleOf(const StateId& from, const StateId& to) const;

 private:
  const Machine& machine_;
  QSizeF size_;
};

}  // namespace bristle
