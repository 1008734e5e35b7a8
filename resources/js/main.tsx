document.body.textContent="x"
