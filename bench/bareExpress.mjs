// The reference for the door: Express and one indexed SELECT, nothing else.
import express from 'express';
import { createPool } from 'mariadb';

const pool = createPool({
  host: '127.0.0.1',
  port: Number(process.env.BARE_DATABASE_PORT),
  user: 'root',
  database: process.env.BARE_DATABASE,
  connectionLimit: 10,
});
const app = express();
app.get('/links/:code', async (req, res) => {
  const rows = await pool.query(
    'SELECT id, code, class_id, label, state FROM links WHERE code = ?',
    [req.params.code],
  );
  res.json(rows[0]);
});
app.listen(Number(process.env.BARE_PORT), '127.0.0.1', () => console.log('Bare Express is ready'));
