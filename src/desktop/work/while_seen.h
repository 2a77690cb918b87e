// Keeps a view up to date while it can be seen, and no longer: what nobody sees does no work.
#pragma once
#include <functional>

namespace bristle {

class Work;

// Calls `refresh` after each change of the document or of what is picked while `view` is visible;
// where something changed meanwhile, when it comes into sight. Belongs to `view`.
class WhileSeen : public QObject {
  Q_OBJECT
 public:
  // What it is given must outlive it.
  WhileSeen(Work& work, QWidget* view, std::function<void()> refresh);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void again();
  QWidget* view_;
  std::function<void()> refresh_;
  bool stale_ = false;
};

}  // namespace bristle
