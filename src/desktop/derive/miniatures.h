// Small pictures of screens and kinds, drawn on a worker a moment after they are asked for and kept
// as long as what they show is the same.
#pragma once
#include <QColor>
#include <QImage>
#include <QObject>
#include <QTimer>
#include <map>
#include <variant>

#include "core/derive/shown_screen.h"
#include "desktop/derive/latest.h"

namespace bristle {

// What is wanted: a screen, filling `size`, or a kind at rest, no larger than it is, in the middle.
struct Miniature {
  ShownScreen shown;  // for a kind: the project; the screen's id is empty
  KindId kind;
  QSize size;        // px, before `ratio`
  double ratio = 1;  // device px to a px
  QColor ground;
  std::string as = {};  // tells it apart from what else is asked for of the same: “mended”
};

class Miniatures : public QObject {
  Q_OBJECT
 public:
  explicit Miniatures(QObject* parent = nullptr);
  ~Miniatures() override;
  // Where pictures of the project lie.
  void setFolder(const QString& folder);
  // As it was drawn last, even where something has changed since; null while there is none yet.
  QImage get(const Miniature& wanted);
  // Draws all anew: files have changed.
  void forget();
  bool busy() const;
  int drawn() const { return drawn_; }  // in all, so that tests can count

 Q_SIGNALS:
  // One that was asked for is there: of a screen, or, with an empty id, of a kind.
  void changed(const bristle::ScreenId& screen);
  // All are out of date; what shows them asks for them again.
  void forgotten();

 private:
  using Key = std::tuple<ScreenId, KindId, DisplayId, LanguageId, int, int, std::string>;
  struct Entry {
    std::optional<Miniature> shows;   // what the image is of
    std::optional<Miniature> wanted;  // what is still to be drawn
    QImage image;
  };
  struct Kit;  // what a worker paints with
  void next();

  std::map<Key, Entry> entries_;
  std::shared_ptr<Kit> kit_;
  QString folder_;
  QTimer soon_;
  std::pair<Key, Miniature> now_;  // being drawn
  Latest<QImage> drawing_;
  int drawn_ = 0;
};

}  // namespace bristle
