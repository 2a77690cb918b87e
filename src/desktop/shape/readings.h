// How well the picked kind's caption can be read in each state, against what is really painted
// behind it. Measured once a moment after a change, for all who show it.
#pragma once
#include <QTimer>
#include <map>

#include "paint/contrast.h"
#include "runtime/document/kind.h"

namespace bristle {

class TileView;
class Work;

class Readings : public QObject {
  Q_OBJECT
 public:
  // Measures only while `sight` is visible.
  Readings(Work& work, TileView& view, QWidget* sight);
  // Nothing for a state that shows no caption.
  const CaptionContrast* of(const Column& column) const;
  // What is asked of a state: WCAG 2.2 §1.4.3, which leaves out what is disabled (0).
  double wanted(const Column& column) const;
  bool weak(const Column& column) const;
  // The look of a column of the picked kind.
  const Look* look(const Column& column) const;
  // As of() but from the document as it is now, for an edit that builds on it.
  std::optional<CaptionContrast> measured(const Column& column) const;

 Q_SIGNALS:
  // There are other figures.
  void changed();

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void measure();
  Work& work_;
  TileView& view_;
  QWidget* sight_;
  QTimer soon_;
  std::map<Column, CaptionContrast> found_;
};

}  // namespace bristle
