document.body.textContent = "ivesk";
