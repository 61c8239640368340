document.title = "Pinned Rota";
