// The line that every bench begins with: its title, a word about it, and room for its tools.
#pragma once
#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>

namespace bristle {

struct BenchHead {
  QVBoxLayout* column;  // of the whole bench
  QHBoxLayout* line;    // tools are added at its right
  QLabel *title, *about;
};

// As the first line of a bench without a layout.
inline BenchHead makeHead(QWidget* bench) {
  BenchHead out{new QVBoxLayout(bench), new QHBoxLayout, new QLabel, new QLabel};
  out.column->setContentsMargins(0, 0, 0, 0);
  out.column->setSpacing(0);
  out.line->setContentsMargins(16, 8, 16, 8);
  out.line->setSpacing(8);
  out.title->setProperty("title", true);
  out.about->setProperty("quiet", true);
  out.line->addWidget(out.title);
  out.line->addWidget(out.about);
  out.line->addStretch();
  out.column->addLayout(out.line);
  return out;
}

}  // namespace bristle
