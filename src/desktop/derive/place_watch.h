// What is wrong with how the picked screen lies on each display in each language: worked out on a
// worker a moment after a change.
#pragma once
#include <QObject>
#include <QTimer>
#include <map>

#include "core/findings/place_faults.h"
#include "desktop/derive/latest.h"
#include "runtime/document/project.h"

namespace bristle {

class PlaceWatch : public QObject {
  Q_OBJECT
 public:
  explicit PlaceWatch(QObject* parent = nullptr);
  ~PlaceWatch() override;

  struct Fault {
    ItemId item;
    size_t index = 0;  // of it, when it was found
    PlaceFaultSort sort;
    std::string words;
  };
  // Pictures lie in `folder`.
  void look(const Project& project, const ScreenId& screen);
  // As they were found last; none where nothing has been found yet, or of another screen.
  const std::vector<Fault>& of(const ScreenId& screen, const DisplayId& display,
                               const LanguageId& language) const;
  bool busy() const { return soon_.isActive() || looking_.busy(); }

 Q_SIGNALS:
  void changed();

 private:
  using All = std::map<std::tuple<ScreenId, DisplayId, LanguageId>, std::vector<Fault>>;
  struct Kit;  // what a worker measures with
  void begin();
  Project project_;
  ScreenId screen_;
  All now_;
  std::shared_ptr<Kit> kit_;
  QTimer soon_;
  Latest<All> looking_;
};

}  // namespace bristle
