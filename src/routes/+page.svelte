<h1>Irvot</h1>
