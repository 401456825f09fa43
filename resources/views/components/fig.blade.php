<svg width="26" height="30" viewBox="0 0 26 30" aria-hidden="true"><path
    d="M13 2c1 4 9 9 9 17a9 9 0 0 1-18 0C4 11 12 6 13 2z" fill="#e9cdb0"/><path
    d="M13 12c2 3 4 5 4 9a4 4 0 0 1-8 0c0-4 2-6 4-9z" fill="#6a2c4f"/></svg>
