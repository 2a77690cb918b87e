// What a press on the canvas begins and its release ends: moving, resizing, a marquee, a guide.
#pragma once
#include <QPainter>
#include <memory>

#include "core/arrange/surroundings.h"
#include "desktop/view/screen_view.h"

namespace bristle {

class CanvasDrag {
 public:
  virtual ~CanvasDrag() = default;
  // Where the pointer is, in layout px, and which keys are held.
  virtual void to(const QPointF& at, Qt::KeyboardModifiers keys) = 0;
  virtual void end(Qt::KeyboardModifiers) {}
  // Over the screen, in widget px.
  virtual void paint(QPainter&) const {}
};

// What all that change the document have: one step of the history, which Escape takes back.
struct DragBase {
  Work& work;
  const ScreenView& view;
  QPointF pressed;  // layout px
  bool snaps = true;
  bool toGrid = false, toGuides = true;  // what is not shown is not snapped to
};

// Of one drag's edits, so that they are one step of the history.
std::string freshDragKey();

// Moves what is picked, or copies of it. Shift: along one axis. Alt: without snapping.
std::unique_ptr<CanvasDrag> moveDrag(const DragBase& base, bool copies);
// Of what is picked some things, but not all, that one container keeps in order: they are dragged
// to another place in it, or out of it.
bool canBeCarried(Work& work);
std::unique_ptr<CanvasDrag> carryDrag(const DragBase& base);
// Shift: keeps the ratio. Ctrl: about the centre. Alt: without snapping.
std::unique_ptr<CanvasDrag> resizeDrag(const DragBase& base, Edges edges);
// Picks what it touches. Shift: besides. Ctrl: takes it from what is picked.
std::unique_ptr<CanvasDrag> marqueeDrag(const DragBase& base);
// An existing guide, or a new one with −1; one that is dropped off the canvas is gone.
std::unique_ptr<CanvasDrag> guideDrag(const DragBase& base, int guide, bool upright);

// What is resized when edges are dragged: the boxes of the picked items in one, and which of its
// edges can be.
struct Resizable {
  std::vector<size_t> items;
  Box bounds;
  bool loose = true;  // otherwise one in a container: its right and lower edges alone
};
// Empty items where what is picked cannot be resized together.
Resizable resizableOf(Work& work);

}  // namespace bristle
