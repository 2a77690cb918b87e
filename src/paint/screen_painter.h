// Draws whole screens: at rest, from a layout, or as they run in a session.
#pragma once
#include <QTransform>
#include <list>
#include <map>
#include <memory>

#include "paint/look_painter.h"
#include "runtime/document/action.h"
#include "runtime/layout/layout.h"

namespace bristle {

class KeptLayers;
class Session;
struct ScreenRun;

// Look tables of a project's kinds, made when first asked for and kept while the kind is the same.
class LookTables {
 public:
  // Null where the kind or its machine is missing. With `own`, as one placed button has it. What
  // was given stays whole for as long as somebody has it.
  std::shared_ptr<const LookTable> get(const Project& project, const KindId& kind,
                                       const OwnLook* own = nullptr);

 private:
  static constexpr size_t kMostOwned = 200;
  struct Entry {
    Shared<Kind> kind;
    Shared<Machine> machine;
    Shared<NamedValues> named;
    bool dark = false;
    std::shared_ptr<const LookTable> table;
    std::list<std::pair<OwnLook, std::shared_ptr<const LookTable>>>
        owned;  // the one used last first
  };
  std::map<KindId, Entry> tables_;
};

// A screen with every button at rest (or disabled), in layout px from 0, 0. With `only`, at least
// what shows there, beyond the screen, too; with
// `parts`, which lie in it, what shows in these.
void paintScreen(QPainter& painter, LookPainter& looks, LookTables& tables, const Project& project,
                 const Screen& screen, const Layout& layout, const QRectF& only = {},
                 const QRegion& parts = {});

// A running menu: its screens from below, what is below dimmed as the screens say, and what comes
// or goes as far as it is there. With `only`, in layout px, at least what shows there. With `kept`,
// what stands still while screens come and go is painted once for them all.
void paintSession(QPainter& painter, LookPainter& looks, Session& session, const QRectF& only = {},
                  KeptLayers* kept = nullptr);
// Where what is there so much, 0–1, lies on a display of that size by how it comes or goes: slides
// move, what grows does so about `still`. Where one reads from the right, left and right change
// places.
QTransform screenMotion(const ScreenMotion& motion, double presence, const QSizeF& display,
                        bool rightToLeft, const QPointF& still);
// What a button may paint, with what its looks reach beyond its box.
QRectF extentOf(const ScreenRun& screen, size_t button);

}  // namespace bristle
